export { notClear, putDown } from './by-hand';
export { nest, type NestCase, type Nested } from './nest';
export { lain, type NestPiece, pieceKey, pieceKeys, type Placement, turned } from './pieces';
export { lyingElsewhere, nestOnRolls } from './rolls';
