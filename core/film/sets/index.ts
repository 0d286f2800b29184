export { FILM_SET_IDS, FILM_SETS, type FilmSetId, frontStrips, panelsOfSet, wornEdges } from './sets';
