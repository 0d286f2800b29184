export { guestView } from './guest-view';
export { demandOf, summarise } from './summarise';
