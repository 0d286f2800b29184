export { type Around, type Blank, type BlankEdge, blanksOf, type FilmStock, type Seam } from './blanks';
export { edgesOf, type PanelEdge } from './edges';
