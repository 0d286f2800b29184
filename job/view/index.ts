export { doneView, type DoneView, preparedView, type PreparedView, preparedWith, standingView } from './views';
