export {
  type Handover,
  handoverSchema,
  type NewHandover,
  newHandoverSchema,
  type Passport,
  PASSPORT_FORMAT,
  type PassportFile,
  passportFileSchema,
  type PassportRead,
  passportReadSchema,
  passportSchema,
  shopReadSchema,
  shopSchema,
} from './passport';
export { signedText } from './signed-text';
