/** One engineering default. */
export interface Default {
  readonly name: string;
  readonly value: number;
  /** Empty for a plain factor or share. */
  readonly unit: string;
}

export interface DefaultGroup {
  readonly name: string;
  /** Where the figures come from, or the reasoning behind them. */
  readonly why: string;
  /** What takes their place. */
  readonly overriddenBy: string;
  readonly defaults: readonly Default[];
}

export const figure = (name: string, value: number, unit = ''): Default => ({ name, value, unit });
