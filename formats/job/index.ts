export {
  type ItemHistory,
  itemHistorySchema,
  type ItemLife,
  itemLifeSchema,
  type ItemSummary,
  itemSummarySchema,
  type LifeRow,
  type LifeVisit,
  type Visit,
} from './item';
export { jobSenseFaults, readJob, shapeFault } from './job-sense';
export {
  type Job,
  JOB_FORMAT,
  type JobInput,
  FIRST_CREW,
  jobSchema,
  surfaceSchema,
  type Layer,
  LOST_WHYS,
  type LostWhy,
  shapeSchema,
  type Surface,
  type SurfaceMark,
  surfaceName,
  USUAL_CURRENCY,
  wantedBy,
} from './job';
export {
  keptTemplate,
  type KeptTemplate,
  type KeptTemplateDraft,
  keptTemplateDraftSchema,
  keptTemplateSchema,
} from './kept-template';
export {
  type Photo,
  PHOTO_ROLES,
  type PhotoChanges,
  photoChangesSchema,
  type PhotoRole,
  photoSchema,
  type PhotoWords,
  photoWordsSchema,
  type MatchedPlace,
} from './photo';
export { FIRST_PLAN_FORMAT, type FirstPlanFile, firstPlanSchema, PLAN_FORMAT, type PlanFile, planSchema } from './plan';
export { RUNSHEET_FORMAT, type RunsheetFile, runsheetSchema } from './runsheet';
export { wishesSchema } from './wishes';
export {
  type AirReading,
  airReadingSchema,
  type Bay,
  bayDraftSchema,
  baySchema,
  USUAL_ROOM,
  type CareDue,
  careDueSchema,
  type GaugeAnswer,
  gaugeReadingSchema,
  glossReadingSchema,
  glossSpotSchema,
  type JobDraft,
  jobDraftSchema,
  type JobRecord,
  jobRecordSchema,
  type JobSummary,
  jobSummarySchema,
  type GuestJob,
  guestJobSchema,
  probeSpotSchema,
  type ShelfProduct,
  shelfProductSchema,
  weekSchema,
} from './workshop';
export { JOB_LIMITS } from './limits';
export { jobCostsSchema, type Operation, type OperationKind, operationSchema } from './operation';
export {
  type OwnerData,
  type OwnerDataRemoved,
  ownerDataRemovedSchema,
  ownerDataSchema,
  ownersItemsSchema,
} from './owner-data';
