/** What a screen shows rests on what the core says: figure by figure, for the jobs of the yard. */
import '@testing-library/jest-dom';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { preparationMin, USUAL_WEEK } from '#core/schedule/hours';
import { compareLevels, LEVEL_DEFINITIONS, LEVELS, prepareItem } from '#core/prepare/stages';
import { wetFilmUm } from '#core/products/quantity';
import { parted } from '#formats/shelf';
import { money } from '#formats/values';
import { quoted } from '#job/offers';
import { foldLog } from '#core/lay/run';
import { layOut } from '#core/lay/run-sheet';
import { planInput, planOf } from '#job/plan';
import { inOpeningHours, layingFrom, weekOf } from '#job/promise';
import { panelCases, prepareSettings } from '#job/prepare';
import { preparedWith } from '#job/view';
import { kitOf } from '#formats/shelf';
import { onAStillDay } from '../testing/still-day';
import { NOW, open, server, yard } from '../testing/yard';
import { m2 } from '../ui/measures';

onAStillDay();

const documentOf = (id: string) => yard.jobs.find((job) => job.id === id)!.draft.document;
const bayOf = (id: string) => {
  const { bayId } = yard.jobs.find((job) => job.id === id)!.draft;
  return yard.bays.find((bay) => bay.id === bayId);
};
const kit = kitOf(yard.kit);
const side = () => screen.getByRole('complementary', { name: 'Chosen panel' });
const text = (element: Element) => element.textContent.replaceAll(/\s+/g, ' ');

describe('Quantify', () => {
  test.each(['satin-tourer', 'two-seater'])('%s: what to buy is the plan’s, product by product', async (id) => {
    const document = documentOf(id);
    const plan = planOf(document);
    await open(`/jobs/${id}/quantify`);
    const table = await screen.findByRole('table', { name: 'What to buy' });
    const rows = within(table).getAllByRole('row').slice(1);
    expect(rows).toHaveLength(plan.purchases.length);
    for (const [index, { product, packs, cost }] of plan.purchases.entries()) {
      const said = text(rows[index]!);
      expect(said).toContain(document.products.find((sheet) => sheet.id === product)!.name);
      for (const { size, count } of packs) expect(said).toMatch(new RegExp(`${count} .*${size}`));
      if (cost > 0) expect(said).toContain(money(cost, document.currency));
    }
    const total = plan.purchases.reduce((sum, { cost }) => sum + cost, 0);
    expect(side()).toHaveTextContent(money(total, document.currency));
  });

  test('a panel’s coat is said with its amount and its wet film', async () => {
    const plan = planOf(documentOf('satin-tourer'));
    const tank = plan.surfaces.find(({ id }) => id === 'tank-left');
    const { laid } = tank!.coats[0]!;
    await open('/jobs/satin-tourer/quantify?panel=tank-left');
    await screen.findByRole('heading', { level: 2, name: 'Tank, side, left' });
    expect(text(side())).toContain(`${wetFilmUm(laid!.amount, tank!.areaM2).toFixed(1)} µm`);
    expect(text(side())).not.toContain('weighed');
  });

  test('a job without layers says what comes first', async () => {
    await open('/jobs/hotel-shuttle/quantify');
    expect(await screen.findByText(/Nothing is to be laid yet/)).toBeVisible();
  });
});

describe('Prepare', () => {
  test('every level stands beside the others with the hours the core works out', async () => {
    const document = documentOf('teal-hatchback');
    const settings = prepareSettings(document, undefined, kit);
    const options = compareLevels(panelCases(document), settings);
    await open('/jobs/teal-hatchback/prepare');
    const levels = await screen.findByRole('radiogroup', { name: 'How far it is corrected' });
    const shown = within(levels).getAllByRole('radio');
    expect(shown).toHaveLength(LEVELS.length);
    for (const [index, { level, minutes, goneShare }] of options.entries()) {
      const rounded = 5 * Math.round(preparationMin(minutes) / 5);
      expect(text(shown[index]!)).toContain(LEVEL_DEFINITIONS[level].name);
      expect(text(shown[index]!)).toContain(`${Math.floor(rounded / 60)} h`);
      if (goneShare !== undefined)
        expect(text(shown[index]!)).toContain(`${Math.round(100 * goneShare)} % of marks go`);
    }
    const chosen = shown.find((each) => each.getAttribute('aria-checked') === 'true')!;
    expect(text(chosen)).toContain(LEVEL_DEFINITIONS[settings.level].name);
  });

  test('the steps of a panel are those of the core, each with its reason', async () => {
    const { preparation } = preparedWith(
      documentOf('teal-hatchback'),
      prepareSettings(documentOf('teal-hatchback'), undefined, kit),
    );
    const bonnet = preparation.panels.find(({ id }) => id === 'bonnet')!;
    await open('/jobs/teal-hatchback/prepare?panel=bonnet');
    await screen.findByRole('heading', { level: 2, name: 'Bonnet' });
    for (const { reason } of bonnet.steps) expect(text(side())).toContain(reason);
  });

  test('on satin no level polishes', async () => {
    const document = documentOf('satin-tourer');
    for (const level of LEVELS) {
      const { panels } = prepareItem(panelCases(document), { ...prepareSettings(document), level });
      const tank = panels.find(({ id }) => id === 'tank-left')!;
      expect(tank.steps.filter(({ clearUm }) => clearUm[1] > 0.2)).toEqual([]);
    }
    await open('/jobs/satin-tourer/prepare?panel=tank-left');
    await screen.findByRole('heading', { level: 2, name: 'Tank, side, left' });
    expect(text(side())).not.toMatch(/Cutting|Refining|Single-stage polish/);
  });
});

describe('Layer', () => {
  test('each offer is shown at the price the core quotes', async () => {
    const document = documentOf('teal-hatchback');
    await open('/jobs/teal-hatchback/layer?view=offers');
    const settings = prepareSettings(document, undefined, kit);
    for (const offer of yard.offers) {
      const column = await screen.findByRole('listitem', { name: offer.name });
      const { price } = quoted(offer, { document, shelf: yard.shelf, settings, week: USUAL_WEEK });
      expect(text(column)).toContain(money(price.totalMoney, document.currency));
      expect(text(column)).toContain(`${price.hours.toFixed(1)} h of work`);
      for (const promise of offer.promised) expect(text(column)).toContain(promise);
    }
  });

  test('what the plan refuses is told with its panels', async () => {
    const document = documentOf('two-seater');
    const done = { record: foldLog([]), nowMin: 0 };
    const planned = inOpeningHours(planInput(document), document, weekOf(bayOf('two-seater')), done);
    const { preparation, day } = preparedWith(document, prepareSettings(document, undefined, kit));
    const { plan } = layOut(planned, { nowMin: layingFrom(planned, preparation, day, done), begun: new Map() });
    const stops = plan.findings.filter(({ severity }) => severity === 'stop');
    expect(stops.length).toBeGreaterThan(0);
    await open('/jobs/two-seater/layer');
    await screen.findByText('What the rules say');
    for (const { text: said } of new Map(stops.map((stop) => [stop.text, stop])).values()) {
      expect(text(side())).toContain(said.split(':')[0]!);
    }
  });
});

describe('the shelf', () => {
  test('every sheet stands under its family, with what is in hand beside it', async () => {
    await open('/shelf');
    for (const product of yard.shelf) {
      const link = await screen.findByRole('link', { name: new RegExp(product.name.replaceAll(/[()]/g, '.')) });
      expect(text(link)).toContain(product.onHand > 0 ? `${product.onHand} ${product.unit} in stock` : 'none in stock');
    }
    await userEvent.type(screen.getByRole('searchbox', { name: 'Find a sheet' }), 'keelst');
    expect(screen.getAllByRole('link', { name: /in stock|m²/ })).toHaveLength(1);
    await userEvent.type(screen.getByRole('searchbox', { name: 'Find a sheet' }), 'zzz');
    expect(screen.getByText('No sheet is called that.')).toBeVisible();
  });

  test('a sheet keeps what is its maker’s; what is in hand is noted beside it', async () => {
    const [product] = yard.shelf;
    await open(`/shelf/${product!.id}`);
    const shop = await screen.findByRole('region', { name: 'In this shop' });
    server.instead = ({ method, path, body }) =>
      method === 'PUT' && path.endsWith('/shop')
        ? new Response(
            JSON.stringify({
              id: product!.id,
              version: 1,
              updatedAt: NOW,
              ...parted(product!),
              shop: { ...parted(product!).shop, ...(body as object) },
            }),
            { status: 200, headers: { 'content-type': 'application/json' } },
          )
        : undefined;
    expect(text(shop)).toContain(`${product!.onHand} ${product!.unit}`);
    expect(within(shop).getByRole('link')).toHaveAttribute('href', `/stock?of=${product!.id}`);
    const days = within(shop).getByLabelText('Delivery takes');
    await userEvent.clear(days);
    await userEvent.type(days, '5{Enter}');
    const call = server.calls.find(({ path }) => path.endsWith('/shop'))!;
    expect(call.body).toEqual({ deliveryDays: 5 });
    expect(
      server.calls.filter(({ method, path }) => method === 'PUT' && path === `/api/products/${product!.id}`),
    ).toEqual([]);
  });

  test('properties are ticked, and a film’s figures nothing computes with are not asked for', async () => {
    const film = yard.shelf.find(({ family }) => family === 'film')!;
    await open(`/shelf/${film.id}`);
    await screen.findByRole('heading', { level: 1, name: film.name });
    expect(screen.getByRole('checkbox', { name: /Not made for wipers/ })).not.toBeChecked();
    for (const gone of [/Roll widths/, /Stretches/, /Hardness/]) {
      expect(screen.queryByLabelText(gone)).toBeNull();
    }
    expect(screen.getByLabelText('Finish')).toHaveValue(film.film!.finish);
    // What stock and taking order go by is asked for.
    expect(screen.getByLabelText('Keeps closed, months')).toHaveValue(`${film.shelfMonths!.closed}`);
    expect(screen.getByLabelText('Keeps once opened, months')).toHaveValue('');
  });
});

describe('where things stand', () => {
  test('an item with more area than its template’s outside says its spread in the measures of the device', async () => {
    localStorage.setItem('glaphyra.measures', 'imperial');
    const plan = planOf(documentOf('teal-hatchback'));
    const area = plan.surfaces.reduce((sum, { areaM2 }) => sum + areaM2, 0);
    await open('/jobs/teal-hatchback/survey');
    expect(await screen.findByText(m2(area), { selector: '.figure' })).toBeVisible();
    expect(m2(area)).toMatch(/sq ft$/);
  });

  test('the way back: the draft is undone and redone from the title block', async () => {
    await open('/jobs/hotel-shuttle/survey');
    const job = await screen.findByLabelText('Job');
    await userEvent.clear(job);
    await userEvent.type(job, 'Shuttle, both sides{Tab}');
    expect(await screen.findByRole('heading', { level: 1, name: 'Shuttle, both sides' })).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(screen.getByRole('heading', { level: 1, name: documentOf('hotel-shuttle').title })).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Redo' }));
    expect(screen.getByRole('heading', { level: 1, name: 'Shuttle, both sides' })).toBeVisible();
  });

  test('a reading of the simulated gauge is told as one', async () => {
    const job = server.jobs.get('teal-hatchback')!;
    const surfaces = job.document.surfaces.map((surface) =>
      surface.id === 'bonnet'
        ? {
            ...surface,
            readingsFrom: surface.readingsUm.map((_, index) => (index < 2 ? ('simulated' as const) : null)),
          }
        : surface,
    );
    server.jobs.set('teal-hatchback', { ...job, version: 9, document: { ...job.document, surfaces } });
    await open('/jobs/teal-hatchback/survey?lens=thickness&panel=bonnet');
    expect(await screen.findByText(/^2 of 5 by the simulated gauge/)).toBeVisible();
  });
});
