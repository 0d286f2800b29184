import { marksInWords } from '#core/survey/condition';
import type { PanelCase, PrepareSettings, Wanted } from './panel-case';
import { type STEP_KINDS } from '#core/prepare/steps';

/** A chance smaller than this is not worth a word. */
const WORTH_SAYING = 0.05;

/** Taking off what was found, as work: what of it, how, how long it is expected to take, and what may stay. */
export function stripping({ strips, marks }: PanelCase): Wanted[] {
  if (!strips || strips.layers.length === 0) return [];
  const { layers, expectedMin, expectedClearUm } = strips;
  const what = layers.map(({ layer }) => layer.name.toLowerCase()).join(', then ');
  const steps = [
    ...new Set(
      layers.flatMap((layer) => layer.steps.filter(({ refused }) => !refused).map(({ name }) => name.toLowerCase())),
    ),
  ];
  const stays = Math.max(...layers.map(({ staysChance }) => staysChance));
  const how = steps.length > 0 ? `: ${steps.join(', then ')}` : '';
  const left =
    stays >= WORTH_SAYING ? `; ${Math.round(100 * stays)} % that some of it stays: try a patch, promise nothing` : '';
  const hidden = marks.filter(({ hiddenBefore }) => hiddenBefore);
  const shows = hidden.length > 0 ? `; what was filled shows again: ${marksInWords(hidden)}` : '';
  const uses = new Map<string, { what: string; unit: string; amount: number }>();
  for (const use of layers.flatMap((layer) => layer.uses)) {
    const known = uses.get(use.what);
    uses.set(use.what, { ...use, amount: use.amount + (known?.amount ?? 0) });
  }
  return [
    {
      kind: 'strip-found',
      reason: `${what} comes off first${how}${left}${shows}`,
      worked: { minutes: expectedMin, uses: [...uses.values()], clearUm: [expectedClearUm, worstUm(strips)] },
    },
  ];
}

const worstUm = ({ layers }: NonNullable<PanelCase['strips']>) =>
  layers.reduce((sum, { worstClearUm }) => sum + worstClearUm, 0);

/** Clear that taking it off may cost, µm: nothing where it is left out. */
export function strippedUm({ id, strips }: PanelCase, { leftOut }: Pick<PrepareSettings, 'leftOut'>): number {
  const kind: keyof typeof STEP_KINDS = 'strip-found';
  return !strips || leftOut.has(kind) || leftOut.has(`${id}/${kind}`) ? 0 : worstUm(strips);
}
