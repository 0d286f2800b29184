export { angleFromTouches, BEADS_FROM_DEG, besideBare, contactAngleDeg, type ContactAngle } from './bead';
export { type Laying, matchPicture, moved, type PictureMatch, turnedBack } from './match';
