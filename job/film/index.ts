export { type FilmWork, filmWork, outlineOf, rollWidthsOf } from './film-work';
export { nestCaseOf } from './nest-case';
export { keepNest, layFilm, splitFilm, takeFilmOff, wrapEdge } from './film-edits';
export { type JobCut, jobCuts } from './cut-job';
