import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { standingSurfaces } from '#core/care/upkeep';
import { foldLog } from '#core/lay/run';
import { loggedEntries } from '#formats/log';
import { planInput, planOf } from '#job/plan';
import { excludedFrom } from '#job/terms';
import { onAStillDay } from '../testing/still-day';
import { open, server, yard } from '../testing/yard';

const draft = (id: string) => yard.jobs.find((job) => job.id === id)!.draft;
const slow = 30_000;

onAStillDay();

const side = () => screen.getByRole('complementary', { name: 'Chosen panel' });

test(
  'every station says of a job what the core says of it',
  async () => {
    const { document } = draft('satin-tourer');
    const plan = planOf(document);
    const excluded = excludedFrom(document);
    const bare = plan.surfaces.filter(({ id, coats }) => coats.length === 0 && !excluded.has(id)).length;
    await open('/jobs/satin-tourer/quantify');
    const stations = await screen.findByRole('navigation', { name: 'Stations of the job' });
    const area = plan.surfaces.reduce((sum, { areaM2 }) => sum + areaM2, 0);
    expect(within(stations).getByRole('link', { name: /Survey/ }).textContent).toContain(
      `${plan.surfaces.length} surfaces, ${area.toFixed(2)} m²`,
    );
    expect(within(stations).getByRole('link', { name: /Layer/ }).textContent).toContain(`${bare} stay bare`);
    const cost = plan.purchases.reduce((sum, purchase) => sum + purchase.cost, 0);
    expect(within(stations).getByRole('link', { name: /Quantify/ }).textContent).toContain(
      `€${(cost / 100).toFixed(2)}`,
    );
    expect(within(stations).getByRole('link', { name: /Run/ }).textContent).toMatch(/\d+ patches to lay/);
    expect(within(stations).getByRole('link', { name: /Time/ }).textContent).toMatch(/(late: )?ready/);
  },
  slow,
);

test(
  'Care says what was laid, when, and what is left of it on a day to come',
  async () => {
    const { document } = draft('two-door-classic');
    const log = yard.jobs.find(({ id }) => id === 'two-door-classic')!.log;
    const standing = standingSurfaces(
      planInput(document),
      foldLog(loggedEntries(document.startAt, log)),
      document.owner ?? {},
    );
    expect(standing[0]!.layers).toHaveLength(2);
    await open('/jobs/two-door-classic/care?panel=bonnet');
    const left = () =>
      [...side().querySelectorAll('li strong')]
        .map(({ textContent }) => textContent)
        .filter((text) => /^\d+ %$/.test(text));
    await screen.findByText(/How it comes off on/);
    const today = left().map((text) => parseInt(text, 10));
    await userEvent.click(screen.getByRole('button', { name: 'in half a year' }));
    const later = left().map((text) => parseInt(text, 10));
    expect(later).toHaveLength(today.length);
    for (const [index, share] of later.entries()) expect(share).toBeLessThan(today[index]!);
    expect(within(side()).getAllByText(/gloves|vapour|goggles|dry/i).length).toBeGreaterThan(0);
  },
  slow,
);

test(
  'an address that leads nowhere, and a server that is gone, are said in words',
  async () => {
    await open('/jobs/nobody/survey');
    expect(await screen.findByText('There is no job "nobody".')).toBeTruthy();
    server.down = true;
    await open('/jobs/satin-tourer/survey');
    expect(await screen.findByText(/The server does not answer/)).toBeTruthy();
  },
  slow,
);
