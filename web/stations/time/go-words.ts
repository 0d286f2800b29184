import type { GoReason, GoVerdict, WayToGo } from '#core/lay/go';
import { celsius } from '../../ui/measures';
import { span } from '../../ui/moments';
import { fixed } from '../../ui/numbers';

export const GO_WORDS: Readonly<Record<GoVerdict, string>> = { good: 'go', marginal: 'mind', not: 'wait' };
export const GO_SIGNS: Readonly<Record<GoVerdict, string>> = { good: '✓', marginal: '!', not: '✕' };

/** A number beyond a limit, rounded so that it is still told beyond it. */
function beyond({ value, limit, verdict }: GoReason, digits: number): number {
  if (verdict !== 'not' || fixed(value, digits) !== fixed(limit, digits)) return value;
  return limit + Math.sign(value - limit) * 10 ** -digits;
}

/** What stands against laying, with its numbers. */
export function reasonInWords(reason: GoReason): string {
  const { cause, verdict, value, limit } = reason;
  const near = verdict === 'marginal';
  const isAt = () => celsius(beyond(reason, 1));
  const isHumid = () => `${fixed(beyond(reason, 0), 0)} %`;
  switch (cause) {
    case 'air-cold':
      return `Air ${isAt()}: the sheet begins at ${celsius(limit)}`;
    case 'air-hot':
      return `Air ${isAt()}: the sheet ends at ${celsius(limit)}`;
    case 'air-dry':
      return `Air ${isHumid()} humid: the sheet begins at ${fixed(limit, 0)} %`;
    case 'air-damp':
      return `Air ${isHumid()} humid: the sheet ends at ${fixed(limit, 0)} %`;
    case 'surface-cold':
      return `Panel ${isAt()}: the sheet begins at ${celsius(limit)}`;
    case 'surface-hot':
      return `Panel ${isAt()}: the sheet ends at ${celsius(limit)}`;
    case 'dew':
      return near
        ? `Panel only ${fixed(value, 1)} K above the dew point: ${limit} K are wanted`
        : `Panel ${fixed(-value, 1)} K below the dew point: water stands on it, unseen`;
    case 'draught':
      return `Air moving at ${fixed(value, 1)} m/s: dust, and an uneven flash`;
    case 'sun':
      return `No shade: in the sun the panel reaches ${celsius(value)}, ${
        near
          ? 'lay under cloud or out of it'
          : value > limit
            ? `over the ${celsius(limit)} it may have`
            : 'and there the window closes as it opens'
      }`;
    case 'dust':
      return 'Sanding or polishing in the same bay: dust lands in what is wet';
    case 'window':
      return near
        ? `Window only ${span(value)} long: mind it`
        : 'No window: it never opens in this air, or closes as it opens';
  }
}

/** What would open it, in the imperative. */
export function wayInWords(way: WayToGo): string {
  switch (way.kind) {
    case 'stand':
      return `Let it stand ${span(way.min)}`;
    case 'heat':
      return `Heat the bay to ${celsius(way.toC)} for ${span(way.min)}`;
    case 'cool':
      return `Cool the bay to ${celsius(way.toC)} for ${span(way.min)}`;
    case 'dry':
      return `Dry the air to ${way.toRhPct} %`;
    case 'damp':
      return `Damp the air to ${way.toRhPct} %`;
    case 'shade':
      return 'Put it in the shade, and let it cool';
    case 'no-dust':
      return 'Let the sanding and polishing beside it rest';
    case 'close-door':
      return 'Close the door';
    case 'close-door-and-heat':
      return `Close the door and heat to ${celsius(way.toC)} for ${span(way.min)}`;
  }
}
