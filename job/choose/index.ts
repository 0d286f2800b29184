export { choiceSurfaces, chooseFile, jobToChoose, wishesOf } from './choose-job';
