export { laidInWords, lifeInWords, quoted, type Quoted } from './quoted';
export { panelsInWords, stackInWords, toPlan } from './stacks';
