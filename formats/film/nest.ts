import { z } from 'zod';
import { firstSelfCrossing, polygonAreaM2 } from '#core/item/geometry';
import type { NestCase } from '#core/film/nest';
import {
  anyNumber,
  type Fault,
  list,
  nonEmpty,
  nonNegative,
  object,
  positive,
  read,
  wholeNonNegative,
  wholePositive,
} from '#formats/values';

export const NEST_FORMAT = 'glaphyra.nest/1';
export const NESTED_FORMAT = 'glaphyra.nested/1';

/** Pieces a file may have, all copies, and corners one of them. */
const MOST_PIECES = 1000;
const MOST_CORNERS = 2000;
/** Film is sold no wider and no longer, mm. */
const WIDEST_MM = 20_000;
const LONGEST_MM = 1_000_000;
/** Nobody waits longer for an answer, s. */
const LONGEST_S = 3600;
/** Less than this, m², is no piece. */
const LEAST_M2 = 1e-6;

const corner = z.tuple([anyNumber(), anyNumber()], { error: 'expected two numbers: [x, y]' });
const outline = () => list(corner, MOST_CORNERS).min(3, { error: 'expected at least three corners' });

/** What is to be cut from a roll; x along it, y across. */
export const nestSchema = object({
  format: z.literal(NEST_FORMAT, { error: `expected "${NEST_FORMAT}"` }),
  rollWidthMm: positive().max(WIDEST_MM, { error: `expected at most ${WIDEST_MM} mm` }),
  rollLengthMm: positive()
    .max(LONGEST_MM, { error: `expected at most ${LONGEST_MM} mm` })
    .optional(),
  gapMm: nonNegative().max(100, { error: 'expected at most 100 mm' }).default(2),
  seconds: positive()
    .max(LONGEST_S, { error: `expected at most ${LONGEST_S} s` })
    .default(10),
  seed: wholeNonNegative().default(1),
  pieces: list(
    object({
      id: nonEmpty(),
      pointsMm: outline(),
      count: wholePositive()
        .max(MOST_PIECES, { error: `expected at most ${MOST_PIECES}` })
        .default(1),
      turns: list(anyNumber(), 360).min(1, { error: 'expected at least one turn, degrees' }).default([0, 180]),
    }),
    MOST_PIECES,
  ),
  blocked: list(object({ pointsMm: outline() }), MOST_PIECES).default([]),
});
type NestFile = z.output<typeof nestSchema>;

/** Where each piece lies: turned about its origin, then moved. */
export const nestedSchema = object({
  format: z.literal(NESTED_FORMAT),
  lengthMm: z.number(),
  usedShare: z.number(),
  /** No layout is shorter. */
  boundMm: z.number(),
  placements: z.array(object({ id: z.string(), copy: z.int(), turn: z.number(), xMm: z.number(), yMm: z.number() })),
  unplaced: z.array(object({ id: z.string(), copy: z.int() })),
});

/** Faults no schema tells: ids that stand twice, outlines that cross themselves or hold nothing, too many copies. */
function senseFaults(raw: unknown): Fault[] {
  const lists = raw as { pieces?: unknown; blocked?: unknown };
  const seen = new Set<unknown>();
  const outlines = (['pieces', 'blocked'] as const).flatMap((key) =>
    Array.isArray(lists?.[key])
      ? (lists[key] as { id?: unknown; pointsMm?: unknown; count?: unknown }[]).map((each, index) => ({
          key,
          index,
          each,
        }))
      : [],
  );
  const faults = outlines.flatMap(({ key, index, each }): Fault[] => {
    const own: Fault[] = [];
    if (key === 'pieces' && each?.id !== undefined) {
      if (seen.has(each.id))
        own.push({ path: `pieces[${index}].id`, message: `"${String(each.id)}" is used twice; give each its own` });
      seen.add(each.id);
    }
    const points = outline().safeParse(each?.pointsMm);
    if (!points.success) return own;
    const path = `${key}[${index}].pointsMm`;
    const crossing = firstSelfCrossing(points.data);
    if (crossing !== null)
      return [...own, { path, message: 'the outline crosses itself; put its corners in their order' }];
    if (polygonAreaM2(points.data) < LEAST_M2) own.push({ path, message: 'the outline holds no area' });
    return own;
  });
  const copies = outlines.reduce(
    (sum, { key, each }) => sum + (key === 'pieces' && typeof each?.count === 'number' ? each.count : 1),
    0,
  );
  return copies > 2 * MOST_PIECES
    ? [
        ...faults,
        {
          path: 'pieces',
          message: `${copies} copies in all, at most ${2 * MOST_PIECES} are nested; part it into several`,
        },
      ]
    : faults;
}

/** @throws FaultsError with every fault and its place */
export const readNest = (value: unknown): NestFile => read(value, nestSchema, senseFaults);

/** A file's pieces as the nesting takes them. */
export const nestCase = ({ pieces, blocked, ...roll }: NestFile): NestCase => ({
  ...roll,
  pieces: pieces.map(({ id, pointsMm, count, turns }) => ({ id, outline: pointsMm, count, turns })),
  blocked: blocked.map(({ pointsMm }) => pointsMm),
});
