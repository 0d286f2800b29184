export { BODIES, type Body, type Make, MOTORCYCLE_HANDLING, PIECE_IDS, PIECES } from './make';
