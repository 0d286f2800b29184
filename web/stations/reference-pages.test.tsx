/** Pages on which things are looked up, and a record that lost its panel: each against what it rests on. */
import '@testing-library/jest-dom';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { DEFAULT_GROUPS } from '#core/defaults';
import { SUBSTRATES } from '#core/item/substrates';
import { LAYERING_RULES, RULE_IDS, touchedBy } from '#core/layers/rules';
import { onAStillDay } from '../testing/still-day';
import { open, server, yard } from '../testing/yard';
import { formatNumber } from '../ui/numbers';

onAStillDay();

const text = (element: Element) => element.textContent.replaceAll(/\s+/g, ' ');

describe('Where figures come from', () => {
  test('every default stands there with the figure the models compute with, its unit and its reason', async () => {
    await open('/figures');
    for (const { name, why, overriddenBy, defaults } of DEFAULT_GROUPS) {
      const group = screen.getByRole('region', { name });
      expect(text(group)).toContain(why);
      expect(text(group)).toContain(overriddenBy);
      const rows = [...group.querySelectorAll('dl > div')].map(text);
      expect(rows).toEqual(defaults.map((each) => `${each.name}${formatNumber(each.value)} ${each.unit}`));
    }
  });

  test('a few letters find a figure or its group; nothing found is said', async () => {
    await open('/figures');
    const find = screen.getByRole('searchbox', { name: 'Find a figure' });
    await userEvent.type(find, 'cutting');
    const found = screen.getAllByRole('term').map(text);
    expect(found.length).toBeGreaterThan(0);
    for (const name of found) expect(name.toLowerCase()).toContain('cutting');
    await userEvent.type(find, ' of cheese');
    expect(screen.getByText('No figure is called that.')).toBeVisible();
  });
});

describe('Rules', () => {
  test('every rule is said with its reason, whose word it is, and what on the shelf it touches', async () => {
    await open('/shelf/rules');
    await screen.findAllByText(/Touches \d+ of/);
    for (const rule of RULE_IDS) {
      const { says, because, reference, safety } = LAYERING_RULES[rule];
      const item = screen.getByRole('listitem', { name: says });
      for (const words of [because, reference]) expect(text(item)).toContain(words);
      expect(within(item).queryByText(/never overruled/) !== null).toBe(safety === true);
      const touched = touchedBy(rule, yard.shelf, (id) => SUBSTRATES[id].name);
      const products = new Set(touched.map(({ product }) => product)).size;
      expect(text(item)).toContain(
        products === 0 ? 'Touches nothing on this shelf' : `Touches ${products} of ${yard.shelf.length} products`,
      );
    }
  });

  test('with a job in hand each rule leads to the panels it touches', async () => {
    const job = server.jobs.get('satin-tourer')!;
    const [waxed, ...rest] = job.document.surfaces;
    const surfaces = [{ ...waxed!, existing: ['paste-wax' as const] }, ...rest];
    server.jobs.set('satin-tourer', { ...job, document: { ...job.document, surfaces } });
    await open('/shelf/rules?job=satin-tourer');
    const panels = new Set(server.jobs.get('satin-tourer')!.document.surfaces.map(({ id }) => id));
    const led = await waitFor(() => {
      const addresses = screen.getAllByRole('link').map((link) => link.getAttribute('href') ?? '');
      const own = addresses.filter((to) => to.startsWith('/jobs/satin-tourer/'));
      expect(own.length).toBeGreaterThan(0);
      return own.map((to) => new URLSearchParams(to.split('?')[1]).get('panel')!);
    });
    expect(led).toContain(waxed!.id);
    for (const panel of led) expect([panel, panels.has(panel)]).toEqual([panel, true]);
  });
});

describe('Shelf', () => {
  test('a sheet is found by its name or its family; nothing found is said', async () => {
    await open('/shelf');
    const find = await screen.findByRole('searchbox', { name: 'Find a sheet' });
    const one = yard.shelf[3]!;
    await screen.findByText(one.name);
    await userEvent.type(find, one.name.toUpperCase());
    await waitFor(() => expect(screen.queryByText(yard.shelf[0]!.name)).toBeNull());
    expect(screen.getByText(one.name)).toBeVisible();
    await userEvent.type(find, 'x');
    expect(screen.getByText('No sheet is called that.')).toBeVisible();
  });

  test('every sheet of the shelf is listed once, under its family', async () => {
    await open('/shelf');
    await screen.findByText(yard.shelf[0]!.name);
    const listed = screen
      .getAllByRole('link')
      .flatMap((link) => link.getAttribute('href')?.match(/^\/shelf\/(.+)$/)?.[1] ?? []);
    expect(listed.filter((id) => yard.shelf.some((sheet) => sheet.id === id)).toSorted()).toEqual(
      yard.shelf.map(({ id }) => id).toSorted(),
    );
  });
});

describe('a record whose panel the job has lost', () => {
  /** As an older version could leave it: the panel that was worked is gone from the job. */
  function lose(id: string): readonly string[] {
    const job = server.jobs.get(id)!;
    const worked = server.logs
      .get(id)!
      .flatMap(({ id: entry, entry: { type, ...rest } }) =>
        type === 'lay-start' ? [{ entry, surface: (rest as { patch: { surface: string } }).patch.surface }] : [],
      );
    const { surface } = worked[0]!;
    const document = { ...job.document, surfaces: job.document.surfaces.filter((each) => each.id !== surface) };
    server.jobs.set(id, { ...job, document });
    return server.logs
      .get(id)!
      .filter(({ entry }) => 'patch' in entry && entry.patch.surface === surface)
      .map((entry) => entry.id);
  }

  test('a job that lost nothing says nothing of it', async () => {
    await open('/jobs/teal-hatchback/run');
    await screen.findByRole('region', { name: 'In hand' });
    expect(screen.queryByText(/no place in this job any more/)).toBeNull();
  });

  test('is told in the bay, set aside by one tap, entry by entry and with its reason, and then no longer told', async () => {
    const lost = lose('marrow-launch');
    expect(lost.length).toBeGreaterThan(0);
    await open('/jobs/marrow-launch/run');
    const alert = await screen.findByText(/no place in this job any more/);
    expect(text(alert)).toMatch(new RegExp(`^${lost.length} entr`));
    await userEvent.click(screen.getByRole('button', { name: 'Set aside' }));
    await waitFor(() => expect(screen.queryByText(/no place in this job any more/)).toBeNull());
    // It counts at once, and is on the server a little later.
    const asideNow = () =>
      server.logs.get('marrow-launch')!.flatMap(({ entry }) => (entry.type === 'set-aside' ? [entry] : []));
    await waitFor(() => expect(asideNow()).toHaveLength(lost.length));
    const set = asideNow();
    expect(set.map(({ entry }) => entry).toSorted()).toEqual(lost.toSorted());
    for (const { reason } of set) expect(reason).toMatch(/no place/);
  });
});
