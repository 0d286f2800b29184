import { SUBSTRATES } from '#core/item/substrates';
import { BONDING } from './bonding';
import type { PanelCase, PrepareSettings, Wanted } from './panel-case';
import { polishSteps } from './polish-steps';
import type { Level } from './levels';
import { siteFaultOf } from './site';

/** What a want may look at. */
export interface WantCase {
  readonly panel: PanelCase;
  readonly settings: PrepareSettings;
  /** The level this panel really gets. */
  readonly level: Level;
  /** It is washed at all: nothing inside a cabin is. */
  readonly washed: boolean;
  /** Why it cannot be washed with running water at the site; undefined where it can. */
  readonly dry: string | undefined;
  /** Something that bonds to bare surface only is to come. */
  readonly bonds: boolean;
  readonly polished: boolean;
}

/** A step of preparation wanted or not, with its reason: what a new step is added as. */
export type Want = (subject: WantCase) => readonly Wanted[];

export function wantCase(panel: PanelCase, level: Level, settings: PrepareSettings): WantCase {
  const [first] = panel.toCome;
  return {
    panel,
    settings,
    level,
    washed: SUBSTRATES[panel.substrate].inside !== true,
    dry: siteFaultOf('wash', settings),
    bonds: first !== undefined && BONDING.includes(first),
    polished: polishSteps(panel, level).length > 0,
  };
}

/** One step where it is wanted. */
export const when = (wanted: boolean, step: Wanted): readonly Wanted[] => (wanted ? [step] : []);
