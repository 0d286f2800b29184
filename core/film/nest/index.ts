export { nest, type NestCase } from './nest';
export type { NestPiece } from './pieces';
