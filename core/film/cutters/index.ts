export { CUTTER_IDS, type CutterId, CUTTERS } from './cutters';
