export { type Around, type Blank, blanksOf } from './blanks';
