export {
  addMark,
  addReadings,
  addSurface,
  changeDays,
  changeDocument,
  changeMark,
  changeOwner,
  changePrepare,
  changeSurface,
  changeSurfaces,
  changeWishes,
  copyToTwin,
  doAfterAll,
  type Edit,
  expectedAir,
  inOrder,
  markAllOver,
  moveToBay,
  placedReadings,
  removeMark,
  removeSurface,
  sayFaultless,
  setAgreed,
  setCameWith,
  stripFirst,
  setLayers,
  setReadings,
  setStacks,
  startAt,
  takeSheet,
  typeAir,
} from './edits';
export { enterEvidence, type EvidenceName, evidenceScopes, gives, type SharedEvidence } from './evidence';
export { addDrawn, claimsOf, cutOut, mergeFault, mergeSurfaces, outlineFault, reshape } from './map-edits';
export { splitFault, splitSurface } from './split-surface';
export { groupsOf, itemTemplate, stretched, stretchItem, switchGroup } from './stretch-item';
export { blankSurface, firstSurfaces, freeId, templateSurfaces } from './template-surfaces';
export { keepRolls, layFilm, laySet, panelsInSet, splitFilm, takeFilmOff, wrapEdge } from './film-edits';
export { moveCoat, unmoveCoat } from './moves';
