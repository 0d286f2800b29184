import type { Polygon } from '#core/item/geometry';
import type { Fill } from './fills';

/** What a lens makes of a panel. */
export interface PanelPaint {
  readonly fill: Fill;
  /** Said under its name. */
  readonly caption?: string | undefined;
  /** Parts of the panel filled on their own. */
  readonly parts?: readonly { readonly outline: Polygon; readonly fill: Fill }[] | undefined;
  /** Things seen on it, each in its place: shares of the panel's box, across and down. */
  readonly spots?: readonly PanelSpot[] | undefined;
  /** A sign in its middle, where colour alone would have to speak. */
  readonly sign?: Sign | undefined;
}

export interface PanelSpot {
  readonly key: string;
  readonly at: Place;
  readonly sign: string;
  readonly size: 'small' | 'medium' | 'large';
}

/** A place on a panel: shares of its box, across and down. */
export type Place = readonly [across: number, down: number];

export interface LegendEntry {
  readonly fill: Fill;
  readonly text: string;
}

/** Signs that stand where colour alone would have to speak, and how they are spoken. */
export const SIGNS = { no: '✕', test: '◐', done: '✓', differs: '»' } as const;
export const SIGN_WORDS = { no: 'refused', test: 'test spot', done: 'done', differs: 'differs' } as const;
type Sign = keyof typeof SIGNS;
