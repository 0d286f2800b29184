export { type FilmWork, filmWork, gapOf, rollWidthsOf } from './film-work';
export { keepNest, layFilm, splitFilm, takeFilmOff, wrapEdge } from './film-edits';
export { type JobCut, jobCuts } from './cut-job';
