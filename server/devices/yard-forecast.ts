import { seeded } from '#core/measures';
import type { YardForecast } from '#formats/bay';

/** Tells the weather outside for some days ahead. */
export interface YardForecastService {
  forecast(at: Date): YardForecast;
}

const HOURS = 96;
const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const DAYS_OF_YEAR = 365.25;
/** The mean of a harbour town through the year, and how far a day swings either way, °C and K. */
const YEAR = { meanC: 9.5, swingK: 8, dayK: 4, weatherK: 3 };
/** How fast a forecast grows uncertain: at once, and in a day, K. */
const SPREAD = { nowK: 0.7, perDayK: 0.8 };

/**
 * Stands in for a weather service: a year, a day, and weather that changes from day to day. The same day has the same
 * weather whenever it is asked for.
 */
const simulatedYardForecast: YardForecastService = {
  forecast(at) {
    const first = Math.floor(at.getTime() / HOUR_MS) * HOUR_MS;
    return {
      at: at.toISOString(),
      simulated: true,
      monthMeansC: Array.from({ length: 12 }, (_, month) =>
        tenth(YEAR.meanC + YEAR.swingK * seasonAt((month + 0.5) / 12)),
      ),
      hours: Array.from({ length: HOURS }, (_, ahead) => {
        const ms = first + ahead * HOUR_MS;
        return { ...weatherAt(new Date(ms)), spreadK: tenth(SPREAD.nowK + (SPREAD.perDayK * ahead) / 24) };
      }),
    };
  },
};

/** Where a real weather service would be asked. */
export const yardWeather: YardForecastService = simulatedYardForecast;

/** From -1 in the middle of January to 1 in the middle of July, by the share of the year that has gone. */
const seasonAt = (ofYear: number): number => -Math.cos(2 * Math.PI * (ofYear - 0.5 / 12));

function weatherAt(at: Date) {
  const day = Math.floor(at.getTime() / DAY_MS);
  const random = seeded(day);
  const weatherK = YEAR.weatherK * (random() + random() - 1);
  // Three days in ten have a shower of some hours.
  const isWet = random() < 0.3;
  const [begins, lasts, mm] = [8 + 10 * random(), 2 + 4 * random(), 0.4 + 2 * random()];
  const hour = at.getHours() + at.getMinutes() / 60;
  const season = seasonAt((day % DAYS_OF_YEAR) / DAYS_OF_YEAR);
  const airC = YEAR.meanC + YEAR.swingK * season + weatherK - YEAR.dayK * Math.cos((2 * Math.PI * (hour - 3)) / 24);
  const rains = isWet && hour >= begins && hour < begins + lasts;
  return {
    at: at.toISOString(),
    airC: tenth(airC),
    rhPct: Math.round(rains ? 93 : Math.min(92, 74 + 2.2 * YEAR.dayK * Math.cos((2 * Math.PI * (hour - 3)) / 24))),
    rainPct: rains ? 80 : isWet ? 30 : 5,
    rainMm: rains ? tenth(mm) : 0,
  };
}

const tenth = (value: number) => Math.round(value * 10) / 10;
