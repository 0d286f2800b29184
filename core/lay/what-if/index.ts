export { type BenchCase, MAP_C, MAP_RH, whatIf, workingRegion } from './what-if';
