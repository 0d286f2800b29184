/** What a part is made of under its finish. A gauge reads coats on metal only. */
export const BODIES = ['metal', 'plastic', 'composite'] as const;
export type Body = (typeof BODIES)[number];

/** A part that is done by the piece: small and shaped, its area says nothing of its time. */
export interface Piece {
  readonly name: string;
  /** Minutes to coat one of it by hand at the usual pace, once: the same for a polishing step on it. */
  readonly min: number;
  /** Minutes to lay film on one of it: placed, stretched, squeegeed, wrapped and trimmed. */
  readonly filmMin: number;
}

const define = <T extends Record<string, Piece>>(table: T) => table;

/** The trade's usual times until learned; film's are engineering defaults. A wheel that is off is its face and its barrel. */
const TABLE = define({
  'wheel-face': { name: 'Wheel face', min: 12, filmMin: 45 },
  'wheel-barrel': { name: 'Wheel barrel, wheel off', min: 8, filmMin: 45 },
  lamp: { name: 'Lamp', min: 6, filmMin: 18 },
  mirror: { name: 'Mirror', min: 5, filmMin: 22 },
  'handle-recess': { name: 'Handle recess', min: 3, filmMin: 6 },
  'exhaust-tip': { name: 'Exhaust tip', min: 6, filmMin: 20 },
  badge: { name: 'Badge', min: 2, filmMin: 5 },
});

export type PieceId = keyof typeof TABLE;
export const PIECES: Readonly<Record<PieceId, Piece>> = TABLE;
export const PIECE_IDS = Object.keys(TABLE) as [PieceId, ...PieceId[]];

/** A motorcycle's parts take so many times as long as a flat of the same size. */
export const MOTORCYCLE_HANDLING = 2.5;

/** How a panel is made, where that is not simply a piece of painted metal. */
export interface Make {
  /** What is under the finish; absent: as its kind of surface usually is. */
  readonly body?: Body | undefined;
  readonly piece?: PieceId | undefined;
  /** How many times as long everything on it takes as on a flat of the same size; absent: once. */
  readonly handling?: number | undefined;
}
