export { FILM_SET_IDS, FILM_SETS, panelsOfSet } from './sets';
