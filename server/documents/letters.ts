/** Letters for paper: the house's own, and others where a name is written with signs it does not have. */
import { createRequire } from 'node:module';
import path from 'node:path';
import * as fontkit from 'fontkit';

export type Look = 'text' | 'strong';

const homeOf = (pack: string) => path.dirname(createRequire(import.meta.url).resolve(`${pack}/package.json`));
/** Unpacked: of a packed font every glyph drawn would unpack the whole table of outlines anew. */
const archivo = (weight: string) => path.join(homeOf('@expo-google-fonts/archivo'), weight, `Archivo_${weight}.ttf`);
const dejavu = (name: string) => path.join(homeOf('dejavu-fonts-ttf'), 'ttf', `${name}.ttf`);

/** The house's letters first; behind them a face for all of Latin, Greek, Cyrillic and more. */
export const FACES: Readonly<Record<Look, readonly { readonly name: string; readonly file: string }[]>> = {
  text: [
    { name: 'text', file: archivo('400Regular') },
    { name: 'text-wide', file: dejavu('DejaVuSansCondensed') },
  ],
  strong: [
    { name: 'strong', file: archivo('600SemiBold') },
    { name: 'strong-wide', file: dejavu('DejaVuSansCondensed-Bold') },
  ],
};

/** What stands for a sign no face has. */
const SUBSTITUTE = '\u25a1';
/** Letters of a word beyond which it is broken: laying out one longer word costs more than all the rest. */
const LONGEST_WORD = 60;

const opened = new Map<string, fontkit.Font>();
function faceOf(file: string): fontkit.Font {
  const known = opened.get(file) ?? (fontkit.openSync(file) as fontkit.Font);
  opened.set(file, known);
  return known;
}

/** Signs that are laid out, not drawn. */
const isDrawn = (sign: string) => !/\s/u.test(sign);
const has = (file: string, sign: string) => !isDrawn(sign) || faceOf(file).hasGlyphForCodePoint(sign.codePointAt(0)!);

export interface Printable {
  /** The first face that has every sign, else the widest. */
  readonly face: string;
  readonly text: string;
  /** Signs no face has were replaced. */
  readonly lost: boolean;
}

/** A text as it can be printed: in a face that has its signs, its endless words broken, control signs left out. */
export function printable(raw: string, look: Look): Printable {
  // eslint-disable-next-line no-control-regex -- these very signs are looked for
  const clean = raw.normalize('NFC').replaceAll(/[\u0000-\u0008\u000b-\u001f\u007f]/g, '');
  const text = clean.replaceAll(/\S{61,}/gu, (word) => {
    const letters = [...word];
    const parts = Array.from({ length: Math.ceil(letters.length / LONGEST_WORD) }, (_, part) =>
      letters.slice(part * LONGEST_WORD, (part + 1) * LONGEST_WORD).join(''),
    );
    return parts.join(' ');
  });
  const signs = [...new Set(text)];
  const faces = FACES[look];
  const whole = faces.find(({ file }) => signs.every((sign) => has(file, sign)));
  if (whole) return { face: whole.name, text, lost: false };
  const { name, file } = faces.at(-1)!;
  return { face: name, text: [...text].map((sign) => (has(file, sign) ? sign : SUBSTITUTE)).join(''), lost: true };
}
