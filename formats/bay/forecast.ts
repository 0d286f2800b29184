import { instant, object } from '#formats/values';
import { z } from 'zod';

/** One hour of the weather outside, as it is expected. */
const forecastHour = object({
  at: instant(),
  airC: z.number(),
  rhPct: z.number(),
  /** Chance of rain, 0 to 100, and how much. */
  rainPct: z.number(),
  rainMm: z.number(),
  /** How far the temperature may be off, one sigma, K: the further ahead the more. */
  spreadK: z.number(),
});

/** The weather of the yard, hour by hour. */
export const yardForecastSchema = object({
  at: instant(),
  /** Made up by a stand-in for a weather service. */
  simulated: z.boolean(),
  hours: z.array(forecastHour),
  /** Mean air of each month of the year in an ordinary year, °C, January first: what goes on where the hours end. */
  monthMeansC: z.array(z.number()).length(12),
});
export type YardForecast = z.output<typeof yardForecastSchema>;
