import { list, share } from './values';

/** Points of a stroke as shares of the box it was signed in, across and down in turn. */
const stroke = () => list(share(), 4000);
/** A signature as it was drawn. */
export const strokes = () => keptStrokes().min(1, { error: 'expected a signature' });
/** The same as it is kept: none where whoever signed had it removed. */
export const keptStrokes = () => list(stroke(), 200);
