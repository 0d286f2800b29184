export { agreedAndDone, type AgreedPanel, type AgreedState } from './agreed';
export { USUAL_CONDITIONS, warrantyLines, withCover } from './warranty';
