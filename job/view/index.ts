export { doneView, preparedView, type PreparedView, preparedWith, standingView } from './views';
