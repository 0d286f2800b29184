import { z } from 'zod';
import { anyNumber, id, instant, nonEmpty, object, oneOf, text } from '#formats/values';

/** What a picture is for. */
export const PHOTO_ROLES = ['seen', 'before', 'after', 'half-and-half', 'wet', 'drop', 'plan'] as const;
export type PhotoRole = (typeof PHOTO_ROLES)[number];

const share = () => {
  const error = 'expected a share of the picture, 0 to 1';
  return anyNumber().min(0, { error }).max(1, { error });
};

/** A line of tape across a picture, worked side against untouched side: shares of the picture, from end to end. */
export const tapeLineSchema = z.tuple([share(), share(), share(), share()], {
  error: 'expected a line: [from across, from down, to across, to down]',
});

/** A point of a picture and the place on the item it shows, both as shares: by two or more it is laid over the net. */
export const matchedSchema = object({
  at: z.tuple([share(), share()], { error: 'expected a place in the picture: [across, down]' }),
  surface: nonEmpty(),
  on: z.tuple([share(), share()], { error: 'expected a place on the panel: [across, down]' }),
});
export type MatchedPlace = z.output<typeof matchedSchema>;
/** More points lay a picture no better. */
const MOST_MATCHED = 12;

/** What can be said of a picture, and said otherwise later. */
export const photoWordsSchema = object({
  role: oneOf(PHOTO_ROLES),
  /** The panel, and the mark on it, that it shows; neither: the whole item. */
  surface: nonEmpty().nullable(),
  mark: nonEmpty().nullable(),
  /** For an "after": the "before" it is laid beside. */
  pairOf: id().nullable(),
  tape: tapeLineSchema.nullable(),
  matched: z
    .array(matchedSchema)
    .max(MOST_MATCHED, { error: `expected at most ${MOST_MATCHED} points` })
    .nullable(),
  note: text(),
});
export type PhotoWords = z.output<typeof photoWordsSchema>;
/** What is said otherwise; what is left out stays. */
export const photoChangesSchema = photoWordsSchema.partial();
export type PhotoChanges = z.output<typeof photoChangesSchema>;

/** A picture as it is kept: upright, its largest side at most 2560 px. */
export const photoSchema = photoWordsSchema.extend({
  id: id(),
  jobId: id(),
  widthPx: z.int(),
  heightPx: z.int(),
  bytes: z.int(),
  takenAt: instant(),
});
export type Photo = z.output<typeof photoSchema>;
