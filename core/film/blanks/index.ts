export { type Around, type Blank, type BlankEdge, blanksOf } from './blanks';
