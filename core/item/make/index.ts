export { BODIES, type Body, BODY_NAMES, type Make, MOTORCYCLE_HANDLING, PIECE_IDS, PIECES } from './make';
