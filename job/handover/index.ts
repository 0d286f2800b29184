export { agreedAndDone, type AgreedPanel, type AgreedState } from './agreed';
export { agreedCare } from './care';
export { USUAL_CONDITIONS, warrantyLines, withCover } from './warranty';
