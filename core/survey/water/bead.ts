/** A contact angle as it was read from the side, degrees. */
export interface ContactAngle {
  readonly deg: number;
  /** One standard error of it, from how surely its three points were touched. */
  readonly sigmaDeg: number;
}

type At = readonly [x: number, y: number];
const DEG = 180 / Math.PI;
/** Bare clear coat stands around 60 to 80°, wax and coating above 90°: from here on water rolls up into beads. */
export const BEADS_FROM_DEG = 90;

/**
 * Contact angle of a drop that is a cap of a sphere (a few microlitres: heavier ones sag), 2·atan(2h / w).
 * @param heightMm height of the drop over its base
 * @param widthMm width of its base, in the same unit
 * @throws RangeError where either is not above zero
 */
export function contactAngleDeg(heightMm: number, widthMm: number): number {
  if (!(heightMm > 0) || !(widthMm > 0)) throw new RangeError('a drop has a height and a width above zero');
  return 2 * Math.atan((2 * heightMm) / widthMm) * DEG;
}

/**
 * The angle by three touches on a picture from the side: both feet of the drop, and its top. The picture may be tilted:
 * the height is measured square to the line between the feet.
 * @param sure standard error of one touch, in the unit of the points
 * @returns undefined where the three points are no drop
 */
export function angleFromTouches(left: At, right: At, top: At, sure: number): ContactAngle | undefined {
  const [dx, dy] = [right[0] - left[0], right[1] - left[1]];
  const width = Math.hypot(dx, dy);
  if (!(width > 0)) return undefined;
  const height = Math.abs((top[0] - left[0]) * dy - (top[1] - left[1]) * dx) / width;
  if (!(height > 0)) return undefined;
  const ratio = (2 * height) / width;
  // d(2·atan(2h/w)): the top and, half each, both feet move the height; both feet move the width.
  const perRatio = 2 / (1 + ratio * ratio);
  const heightSigma = sure * Math.sqrt(1 + 0.5);
  const widthSigma = sure * Math.SQRT2;
  const sigma = perRatio * Math.hypot((2 / width) * heightSigma, (ratio / width) * widthSigma);
  return { deg: contactAngleDeg(height, width), sigmaDeg: sigma * DEG };
}

/** What a panel says beside one left bare. */
export type BesideBare = 'stands' | 'like-bare' | 'unsure';
/** Standard errors that two readings have to lie apart to be told from one another. */
const APART = 2;
/** So much above bare at least, degrees: a wash alone moves it by less. Engineering default. */
export const CLEARLY_DEG = 15;

/** Whether what was laid is told from a bare panel by its water. */
export function besideBare(laid: ContactAngle, bare: ContactAngle): BesideBare {
  const apart = laid.deg - bare.deg;
  const sigma = Math.hypot(laid.sigmaDeg, bare.sigmaDeg);
  if (apart - APART * sigma > CLEARLY_DEG) return 'stands';
  return apart + APART * sigma < CLEARLY_DEG ? 'like-bare' : 'unsure';
}
