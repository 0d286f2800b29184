import type { FilmSheet } from '#core/products/sheets';

/** What is done with one piece of film: the first two while it is laid, the others once it lies. */
export interface FilmStep {
  readonly id: 'wet' | 'place' | 'squeegee' | 'wrap' | 'post-heat' | 'look-over';
  readonly name: string;
  readonly what: string;
  /** What can hurt somebody or the paint, said at the step. */
  readonly caution?: string;
  readonly when: 'laying' | 'levelling';
}

/** What is told of a film besides where its sheet says nothing, °C. */
const USUAL_MOST_C = 60;
/** Post-heat sets what was stretched: this far below what the film bears, °C. */
const HEAT_MARGIN_C = 5;

/** The steps of a piece of film, in their order, with the heat its sheet allows. */
export function filmSteps(film: Pick<FilmSheet, 'maxSurfaceC'> | undefined): FilmStep[] {
  const mostC = film?.maxSurfaceC ?? USUAL_MOST_C;
  return [
    {
      id: 'wet',
      name: 'Wet',
      what: 'Slip on the panel and on the glue side, hands wetted too.',
      caution: 'The floor gets slippery: wipe it, no leads in the water.',
      when: 'laying',
    },
    {
      id: 'place',
      name: 'Place',
      what: 'Float it: edges and cut-outs where they belong, then no more.',
      when: 'laying',
    },
    {
      id: 'squeegee',
      name: 'Squeegee',
      what: 'From the middle out, strokes over one another; tack where it has to hold.',
      when: 'levelling',
    },
    {
      id: 'wrap',
      name: 'Wrap',
      what: 'Edge dry, tack on it, round it without pulling; relief cuts where it folds.',
      caution: 'A knife near paint cuts it: cut on a backing, away from hands and paint.',
      when: 'levelling',
    },
    {
      id: 'post-heat',
      name: 'Post-heat',
      what: `What was wrapped or stretched to ${mostC - HEAT_MARGIN_C} °C, measured, never over ${mostC} °C.`,
      caution: 'Hot air burns skin and lights alcohol: tack dry first.',
      when: 'levelling',
    },
    {
      id: 'look-over',
      name: 'Look over',
      what: 'Under the lamp: fingers, dirt, silvering, edges that lift.',
      when: 'levelling',
    },
  ];
}
