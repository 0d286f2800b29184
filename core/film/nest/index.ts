export { nest, type NestCase, type Nested } from './nest';
export { lain, type NestPiece, type Placement, turned } from './pieces';
export { putDown } from './by-hand';
