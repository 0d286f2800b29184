export {
  CHOICE_FORMAT,
  type ChoiceFile,
  choiceFileSchema,
  type ChoicePoint,
  CHOOSE_FORMAT,
  type ChooseFile,
  chooseFileSchema,
  readChooseFile,
} from './choose';
export { type OfferRecord, offerRecordSchema, offerSchema } from './offer';
