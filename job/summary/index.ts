export { guestView } from './guest-view';
export { demandOf, summarise, summaryToCome } from './summarise';
