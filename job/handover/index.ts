export { agreedAndDone, type AgreedPanel, type AgreedState } from './agreed';
