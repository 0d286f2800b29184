export { type ProductCues, productCuesSchema } from './cues';
export { type ProductLasted, productLastedSchema } from './lasted';
export {
  type EarlierPair,
  earlierPairSchema,
  type LearnedHands,
  learnedHandsSchema,
  type LearnedPreparation,
  learnedPreparationSchema,
  NOTHING_LEARNED,
} from './learned';
export { type LogEntry, logEntrySchema, loggedEntries, type NewEntry, newEntrySchema } from './log';
