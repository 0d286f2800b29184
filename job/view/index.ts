export { lifeVisit } from './item-life';
export { byOf, type Hands, handsOf } from './hands';
export { doneView, type DoneView, preparedView, type PreparedView, preparedWith, standingView } from './views';
export { traitsOf } from './traits';
export { careDue } from './care-due';
