export { type GoGroup, type GoView, goView, waysFor } from './go-view';
