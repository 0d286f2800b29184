export { agreedAndDone, type AgreedPanel, type AgreedState } from './agreed';
export { agreedCare } from './care';
export { USUAL_CONDITIONS, type WarrantyLine, warrantyLines, withCover } from './warranty';
