export { lifeVisit } from './item-life';
export { byOf, type Hands, handsOf } from './hands';
export { doneView, preparedWith, standingView } from './views';
export { traitsOf } from './traits';
export { careDue } from './care-due';
