/** What tried patches say of something nobody knows. */
import { REMOVAL_METHOD_IDS } from '#core/products/removal-methods';
import { foundLayer, nextToTry, patchesSay, type PatchTried, planRemoval } from '.';
import { SUBSTRATE_IDS } from '#core/item/substrates';

const unknown = { substrate: 'clear-gloss', areaM2: 2, layers: [foundLayer('unknown')], clearUm: 110 } as const;

test('tried mildest first until water sheets; what is refused, and waiting, is not tried', () => {
  const order: string[] = [];
  const tried: PatchTried[] = [];
  for (let next = nextToTry(unknown, tried); next; next = nextToTry(unknown, tried)) {
    order.push(next.method);
    tried.push({ method: next.method, sheets: next.method === 'finishing-polish' });
  }
  expect(order).toEqual(['strip-wash', 'panel-wipe', 'clay', 'finishing-polish']);
  expect(patchesSay(tried)).toEqual({
    comesOffBy: ['finishing-polish'],
    resists: ['strip-wash', 'panel-wipe', 'clay'],
  });
  // Said again, the later word counts.
  expect(patchesSay([...tried, { method: 'clay', sheets: true }]).comesOffBy).toEqual(['clay', 'finishing-polish']);
  for (const substrate of SUBSTRATE_IDS) {
    const all: PatchTried[] = [];
    for (
      let next = nextToTry({ ...unknown, substrate, clearUm: 27 }, all);
      next;
      next = nextToTry({ ...unknown, substrate, clearUm: 27 }, all)
    )
      all.push({ method: next.method, sheets: false });
    const places = all.map(({ method }) => REMOVAL_METHOD_IDS.indexOf(method));
    expect(places).toEqual(places.toSorted((a, b) => a - b));
    expect(all.some(({ method }) => method === 'wear-off' || method === 'cutting')).toBe(false);
  }
});

test('what a layer stood is not tried again when it comes off, and what took it off is reckoned with', () => {
  const [top] = unknown.layers;
  const plain = planRemoval(unknown);
  const known = planRemoval({
    ...unknown,
    layers: [{ ...top, comesOffBy: ['finishing-polish'], resists: ['strip-wash', 'panel-wipe', 'clay'] }],
  });
  const [first] = known.layers[0]!.steps;
  expect(first!.method).toBe('finishing-polish');
  expect(first!.chance).toBeGreaterThanOrEqual(0.9);
  expect(known.layers[0]!.staysChance).toBeLessThanOrEqual(plain.layers[0]!.staysChance);
  expect(known.expectedMin).toBeLessThan(plain.expectedMin);
});
