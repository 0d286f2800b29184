import type { StandingSurface } from '#core/care/upkeep';
import { LEFT_WORDS, type RunRecord } from '#core/lay/run';
import { type Job, surfaceName } from '#formats/job';

/** What became of what was agreed on a panel. */
export const AGREED_STATES = ['lacking', 'in-part', 'left-out', 'excluded', 'done', 'bare'] as const;
export type AgreedState = (typeof AGREED_STATES)[number];

export interface AgreedPanel {
  readonly surface: string;
  readonly name: string;
  readonly state: AgreedState;
  /** What was agreed, and what lies there; in words. */
  readonly agreed: string;
  readonly done: string;
  /** Why it is not done, where there is a reason on record. */
  readonly why?: string;
  /** Marks that stay or are only hidden, and come back. */
  readonly marks: number;
  /** What is to be thought of again, and when. */
  readonly followUp?: { readonly what: string; readonly on?: string | undefined } | undefined;
}

/** What was agreed beside what was done, panel by panel: what is not done first. */
export function agreedAndDone(
  document: Job,
  record: Pick<RunRecord, 'left' | 'outcomes'>,
  standing: readonly StandingSurface[],
): AgreedPanel[] {
  const scope = new Map(document.prepare?.scope?.map((each) => [each.surface, each]));
  const names = new Map(document.products.map(({ id, name }) => [id, name]));
  const laidOn = new Map(standing.map(({ surface, layers }) => [surface.id, layers]));
  const panels = document.surfaces.map((surface): AgreedPanel => {
    const layers = laidOn.get(surface.id) ?? [];
    const said = scope.get(surface.id);
    const left = record.left.get(surface.id);
    const excluded = said?.state === 'excluded' ? said : undefined;
    const wants = surface.layers.length > 0;
    const whole = surface.layers.every(({ product, coats }) =>
      layers.some((layer) => layer.product.id === product && layer.doneShare >= 1 && layer.coats >= coats),
    );
    const state: AgreedState = excluded
      ? 'excluded'
      : !wants
        ? 'bare'
        : whole
          ? 'done'
          : left
            ? 'left-out'
            : layers.length > 0
              ? 'in-part'
              : 'lacking';
    const inWords = (of: readonly { readonly name: string; readonly coats: number }[]) =>
      of.map(({ name, coats }) => (coats > 1 ? `${name}, ${coats} coats` : name)).join(' · ');
    const why = said?.reason ?? (state === 'left-out' && left ? LEFT_WORDS[left.reason] : undefined);
    return {
      surface: surface.id,
      name: surfaceName(surface),
      state,
      agreed: inWords(surface.layers.map(({ product, coats }) => ({ name: names.get(product) ?? product, coats }))),
      done: inWords(layers.map(({ product, coats }) => ({ name: product.name, coats }))),
      ...(why !== undefined && { why }),
      marks: (surface.marks ?? []).filter(({ id, outcome }) => {
        const became = record.outcomes.get(id)?.outcome ?? outcome;
        return became === 'stays' || became === 'hidden';
      }).length,
      ...(said?.followUp !== undefined && { followUp: { what: said.followUp, on: said.followUpOn } }),
    };
  });
  return panels.sort((a, b) => AGREED_STATES.indexOf(a.state) - AGREED_STATES.indexOf(b.state));
}
