export { type GoGroup, type GoView, goView, type LaidAt, waysFor } from './go-view';
