/** Everything that goes out on paper. Routes load it when the first paper is asked for: it is half of what a start would load. */
export { cutPaper } from './cut-paper';
export { labelSheet } from './labels';
export { offersSheet } from './offers-sheet';
export { pdfBytes } from './paper';
export { passportPage } from './passport-page';
export { passportPaper } from './passport-paper';
export { pickListPaper } from './pick-list-paper';
export { recallPaper } from './recall-paper';
export { runSheetPaper } from './run-sheet-paper';
export { walkRoundSheet } from './walk-round';
