import { list, share } from './values';

/** Points of a stroke as shares of the box it was signed in, across and down in turn. */
const stroke = () => list(share(), 4000);
/** A signature as it was drawn. */
export const strokes = () => list(stroke(), 200).min(1, { error: 'expected a signature' });
