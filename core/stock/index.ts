export { StockBook } from './book';
export {
  type BoughtThing,
  type Flaw,
  GONE_REASON_IDS,
  GONE_REASONS,
  type GoneReason,
  type LoggedStock,
  STOCK_KINDS,
  type StockKind,
  type StockUnit,
  STOCK_UNITS,
  type StockEntry,
} from './events';
export { stockFault } from './faults';
export { lessonsOf, type UsageLesson, usageLearned, usageOf } from './lessons';
export { grouped } from './grouped';
export { goodUntilMs, isPast, type ShelfLife, takingOrder } from './order';
export { type Demand, reorderList, type Reservation, reserve } from './reserve';
export { SUPPLIES, SUPPLY_IDS, supplyCalled, type SupplyId } from './supplies';
export {
  type Basis,
  BASES,
  cutKey,
  filmAreaM2,
  filmLengthMm,
  gramsOf,
  isCut,
  type StockThing,
  thingOf,
  undoneIn,
} from './thing';
export { materialCost, recall, usesOf } from './uses';
