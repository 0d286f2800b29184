export { type FilmStep, filmSteps } from './film-steps';
