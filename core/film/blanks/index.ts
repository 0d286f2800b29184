export { type Around, type Blank, type BlankEdge, blanksOf, type FilmPanel, type FilmSchool } from './blanks';
