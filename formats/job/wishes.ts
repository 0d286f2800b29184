import { z } from 'zod';
import { CLIMATE_IDS, DISTANCE_IDS, GROUNDWORK_IDS, PARKING_IDS, WASH_IDS } from '#core/layers/life';
import { CONCERNS, FILM_WISHES, USUAL_WISHES } from '#core/choose/stacks';
import {
  flag,
  list,
  nonEmpty,
  nonNegative,
  object,
  oneOf,
  positive,
  wholeNonNegative,
  wholePositive,
} from '#formats/values';

const concern = () =>
  z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)], { error: 'expected 0, 1, 2 or 3' });

/** What matters to a person, and what is given. Money in minor units. */
export const wishesSchema = object({
  keptMonths: positive().max(720, { error: 'expected at most 720 months' }).default(USUAL_WISHES.keptMonths),
  exposure: object({
    parking: oneOf(PARKING_IDS).optional(),
    wash: oneOf(WASH_IDS).optional(),
    climate: oneOf(CLIMATE_IDS).optional(),
    distance: oneOf(DISTANCE_IDS).optional(),
    preparation: oneOf(GROUNDWORK_IDS).optional(),
  }).default({}),
  hourRate: wholeNonNegative().default(USUAL_WISHES.hourRate),
  count: oneOf(['first', 'kept']).default(USUAL_WISHES.count),
  concerns: z.partialRecord(z.enum(CONCERNS), concern(), { error: 'expected an object' }).default({}),
  film: oneOf(FILM_WISHES).default(USUAL_WISHES.film),
  leastMonths: nonNegative().optional(),
  mostHours: positive().optional(),
  mostDays: positive().optional(),
  anyAir: flag().optional(),
  mostMoney: wholeNonNegative().optional(),
  mostProducts: wholePositive().optional(),
  inHandOnly: flag().optional(),
  twinsAlike: flag().default(USUAL_WISHES.twinsAlike),
  testSpots: flag().default(USUAL_WISHES.testSpots),
  mostLayers: wholePositive().max(4, { error: 'expected at most 4 layers' }).default(USUAL_WISHES.mostLayers),
  beyondTwo: flag().default(USUAL_WISHES.beyondTwo),
});

/** What of the wishes is kept with a job; how it lives, its years and the hour of work are known there already. */
export const jobWishesSchema = wishesSchema
  .omit({ exposure: true, hourRate: true, keptMonths: true })
  .partial()
  .extend({
    /** Surfaces whose planned stack is given. */
    pinned: list(nonEmpty()).optional(),
  });
