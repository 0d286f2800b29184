export { type FilmWork, filmWork, outlineOf, rollWidthsOf } from './film-work';
export {
  type CutFilm,
  cutFilm,
  type FilmNest,
  type FilmOnRoll,
  type FilmRolls,
  filmRolls,
  firstNest,
  type JobCut,
  jobCuts,
  movedToRoll,
  nestCaseOf,
  nestsOf,
  stockFirst,
} from './rolls';
