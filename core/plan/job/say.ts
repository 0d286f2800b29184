/** The findings of a plan in words: what is wrong, by how much, and the way out. */
import type { PanelPaint } from '#core/survey/paint';
import { MINUTES_PER_DAY } from '#core/measures';
import type { RuleId, Ruling } from '#core/layers/rules';
import type { Product, Range } from '#core/products/sheets';
import type { Condensation } from '#core/time/air';
import { minutesInWords, spanInWords } from '#core/time/clocks';
import type { CrewMode } from '#core/plan/sections';
import { type CoatCase, coatWindow, type CoatWindow } from './coat';
import type { Finding, FindingCode, Severity } from './findings';
import type { InputSurface } from './input';

interface About {
  readonly surface: string;
  readonly product: string;
}

const fixed = (value: number, digits = 1) => value.toFixed(digits);
const sentence = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;

/** Rulings that refuse are stops, those that want a test spot are one note. */
export function refusals(rulings: readonly Ruling[], about: About): Finding[] {
  return rulings.map((ruling): Finding => {
    const text = sentence(ruling.reason);
    if (ruling.answer === 'test') return { severity: 'note', code: 'test-spot', ...about, text };
    const { severity = 'stop' } = SAID_AS[ruling.rule] ?? {};
    return { severity, code: refusalCode(ruling.rule), ...about, text };
  });
}

/** Under which code a refusal by a rule is told. */
export const refusalCode = (rule: RuleId): FindingCode => SAID_AS[rule]?.code ?? 'not-allowed';

/** Rules whose refusal has a finding of its own, and those after which the numbers are still to be trusted. */
const SAID_AS: Readonly<Partial<Record<RuleId, { readonly code: FindingCode; readonly severity?: Severity }>>> = {
  bond: { code: 'bond' },
  'film-first': { code: 'bond' },
  'recoat-early': { code: 'recoat-window' },
  'recoat-late': { code: 'recoat-window', severity: 'warn' },
};

export function freshPaint(product: Product, forMin: number, about: About): Finding {
  const text = `The paint has to breathe ${Math.ceil(forMin / MINUTES_PER_DAY)} more days before ${product.name} may close it; its sheet asks for ${product.freshPaintDays}.`;
  return { severity: 'stop', code: 'fresh-paint', ...about, text };
}

export function condensationOn(surface: InputSurface, surfaceC: number, dew: Condensation, about: About): Finding {
  const state = `${surface.name} at ${fixed(surfaceC)} °C`;
  const point = `the dew point of ${fixed(dew.dewPointC)} °C`;
  const text =
    dew.verdict === 'stop'
      ? `${state} is ${fixed(-dew.marginK)} K below ${point}: there is water on it that you cannot see. Let it warm up, or dry the air.`
      : `${state} is only ${fixed(dew.marginK)} K above ${point}; 3 K is the usual margin. Warm the surface or dry the air first.`;
  return { severity: dew.verdict === 'stop' ? 'stop' : 'warn', code: 'condensation', ...about, text };
}

const LIMIT_WORDS = {
  airC: { name: 'air', unit: '°C' },
  rhPct: { name: 'humidity', unit: '%' },
  surfaceC: { name: 'surface', unit: '°C' },
} as const;

interface OutsideLimit {
  readonly key: keyof typeof LIMIT_WORDS;
  readonly value: number;
  readonly limit: Range;
}

export function outOfLimits(product: Product, outside: readonly OutsideLimit[], about: About): Finding {
  const each = outside.map(({ key, value, limit }) => {
    const { name, unit } = LIMIT_WORDS[key];
    return `${name} ${fixed(value)} ${unit} (sheet: ${limit[0]} to ${limit[1]})`;
  });
  return {
    severity: 'warn',
    code: 'out-of-limits',
    ...about,
    text: `Outside the sheet of ${product.name}: ${each.join(', ')}.`,
  };
}

export function narrowWindow(product: Product, window: CoatWindow, about: About): Finding {
  const width = (window.levelByMin ?? 0) - (window.levelFromMin ?? 0);
  const text = `${product.name} can be levelled for only ${minutesInWords(width)} in this air. Cool the bay, work smaller sections, or take a product with a longer window.`;
  return { severity: 'warn', code: 'narrow-window', ...about, text };
}

export function windowClosed(product: Product, window: CoatWindow, about: About): Finding {
  const text =
    window.levelFromMin === null
      ? `${product.name} never reaches its cue in this air, so it cannot be levelled. Warm the bay first.`
      : `${product.name} leaves no time to level it in this air. Cool the surface or take a product with a longer window.`;
  return { severity: 'stop', code: 'window-closed', ...about, text };
}

/** The same of a coat whose laying starts at a moment. */
export const narrowWindowAt = (coat: CoatCase, startMin: number, guardSigma: number, about: About): Finding =>
  narrowWindow(coat.product, coatWindow(coat, startMin, guardSigma), about);
export const windowClosedAt = (coat: CoatCase, startMin: number, guardSigma: number, about: About): Finding =>
  windowClosed(coat.product, coatWindow(coat, startMin, guardSigma), about);

/** Nobody's hours leave room for a section of it, from its first stroke to its last. */
export function noHours(product: Product, surface: InputSurface, about: About): Finding {
  const text = `Nobody is there long enough to lay ${product.name} on ${surface.name} and level it before they go. Give the crew more hours, or take a product that opens sooner.`;
  return { severity: 'stop', code: 'no-hours', ...about, text };
}

export function tooLarge(mode: CrewMode, areaM2: number, largestM2: number, about: About): Finding {
  const crew = mode === 'solo' ? 'one person' : 'two people';
  const code: FindingCode = mode === 'solo' ? 'too-large-solo' : 'too-large-pair';
  const text = `${fixed(areaM2, 2)} m² in one piece is more than ${crew} can lay and level in time: ${fixed(largestM2, 2)} m² today.`;
  return { severity: 'stop', code, ...about, text };
}

export function neverCures(product: Product, about: About): Finding {
  const text = `${product.name} does not become water-safe in this air. Keep the bay warmer, or more humid if it cures by moisture.`;
  return { severity: 'stop', code: 'never-cures', ...about, text };
}

export function missesDeadline(handoverMin: number | null, needsByMin: number): Finding {
  const text =
    handoverMin === null
      ? 'It can never be handed over in this air, so the owner’s time is missed. Tell the owner today.'
      : `Hand-over comes ${spanInWords(handoverMin - needsByMin)} after the owner needs it. Start earlier, keep the bay warm overnight, or tell the owner today.`;
  return { severity: 'warn', code: 'misses-deadline', text };
}

export function vapour(peakMgPerM3: number, limitMgPerM3: number): Finding {
  const text = `Solvent vapour would reach ${Math.round(peakMgPerM3)} mg/m³, over the limit of ${limitMgPerM3}. Move more air, wear an organic-vapour mask, and follow the safety sheet.`;
  return { severity: 'warn', code: 'vapour', text };
}

export function paint(judged: PanelPaint, surface: string): Finding[] {
  const median = judged.medianUm === undefined ? '' : `${Math.round(judged.medianUm)} µm`;
  switch (judged.verdict) {
    case 'usual':
      return [];
    case 'not-readable':
      return [
        {
          severity: 'note',
          code: 'not-readable',
          surface,
          text: 'A thickness gauge cannot read this kind of surface; the readings are kept but not counted.',
        },
      ];
    case 'thin':
      return [
        {
          severity: 'warn',
          code: 'thin-paint',
          surface,
          text: `Paint is thin here: median ${median}. Do not count on polishing it.`,
        },
      ];
    case 'refinished':
      return [
        {
          severity: 'warn',
          code: 'refinished',
          surface,
          text: `Thicker than the rest of the item: median ${median}. Probably refinished; ask when.`,
        },
      ];
    case 'filler':
      return [
        {
          severity: 'warn',
          code: 'filler',
          surface,
          text: `Median ${median}: filler under the paint. Film may lift it; heat with care.`,
        },
      ];
  }
}
