export {
  isSheet,
  type KitEntry,
  type KitEntryInput,
  kitEntrySchema,
  kitOf,
  type KitRecord,
  kitRecordSchema,
  kitSenseFaults,
} from './kit';
export { productSenseFaults, readProduct } from './product-sense';
export { careDays, productSchema, type ProductSheet, type ProductSheetInput, SOURCED_FIELDS } from './product';
export { readShelfCsv, SHELF_FORMAT, shelfCsv, type ShelfFile, shelfFileSchema, shelfSenseFaults } from './shelf-file';
export { usualSheet } from './usual-sheet';
export {
  type KeptShop,
  keptShopSchema,
  type MakerSheet,
  type MakerSheetInput,
  makerSheetSchema,
  parted,
  type ShopFigures,
  shopFiguresSchema,
  stocked,
} from './product';
