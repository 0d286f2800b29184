import { z } from 'zod';
import { CHOICE_FORMAT, choiceFileSchema, CHOOSE_FORMAT, chooseFileSchema } from '#formats/choice';
import { NEST_FORMAT, NESTED_FORMAT, nestedSchema, nestSchema } from '#formats/film';
import {
  FIRST_PLAN_FORMAT,
  firstPlanSchema,
  JOB_FORMAT,
  jobSchema,
  PLAN_FORMAT,
  planSchema,
  RUNSHEET_FORMAT,
  runsheetSchema,
} from '#formats/job';
import { PASSPORT_FORMAT, passportFileSchema } from '#formats/passport';
import { CALENDAR_FORMAT, calendarSchema, SCHEDULED_FORMAT, scheduledSchema } from '#formats/schedule';
import { productSchema, SHELF_FORMAT, shelfFileSchema } from '#formats/shelf';
import { WORKSHOP_FORMAT, workshopFileSchema } from '#formats/workshop';

/** The JSON Schemas of the open formats, by file name. */
export function jsonSchemas(): Record<string, object> {
  const describe = (schema: z.ZodType, title: string) => ({ title, ...z.toJSONSchema(schema, { io: 'input' }) });
  return {
    'job-1.schema.json': describe(jobSchema, JOB_FORMAT),
    'plan-1.schema.json': describe(firstPlanSchema, FIRST_PLAN_FORMAT),
    'plan-2.schema.json': describe(planSchema, PLAN_FORMAT),
    'runsheet-1.schema.json': describe(runsheetSchema, RUNSHEET_FORMAT),
    'choose-1.schema.json': describe(chooseFileSchema, CHOOSE_FORMAT),
    'choice-1.schema.json': describe(choiceFileSchema, CHOICE_FORMAT),
    'nest-1.schema.json': describe(nestSchema, NEST_FORMAT),
    'nested-1.schema.json': describe(nestedSchema, NESTED_FORMAT),
    'calendar-1.schema.json': describe(calendarSchema, CALENDAR_FORMAT),
    'scheduled-1.schema.json': describe(scheduledSchema, SCHEDULED_FORMAT),
    'passport-1.schema.json': describe(passportFileSchema, PASSPORT_FORMAT),
    'shelf-1.schema.json': describe(shelfFileSchema, SHELF_FORMAT),
    'backup-1.schema.json': describe(workshopFileSchema, WORKSHOP_FORMAT),
    'product.schema.json': describe(productSchema, 'a product sheet of glaphyra.job/1'),
  };
}
