export { doneView, preparedView, type PreparedView, standingView } from './views';
