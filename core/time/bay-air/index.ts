export { fitBay } from './heat-model';
export {
  BELIEVED_C,
  BELIEVED_RH_PCT,
  type BayReading,
  downsampled,
  lastGood,
  type ReadingBucket,
  readingFaults,
} from './readings';
