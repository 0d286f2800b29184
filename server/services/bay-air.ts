import { downsampled, fitBay, lastGood, readingFaults } from '#core/time/bay-air';
import { MS_PER_DAY, MS_PER_MIN } from '#core/measures';
import type { BayHistory, NewReadings } from '#formats/bay';
import { simulatedThermoHygrometer } from '../devices/thermo-hygrometer';
import type { Db } from '../db/open';
import { bayReadingRepository, type KeptReading } from '../repositories/bay-readings';
import type { bayService } from './bays';
import type { ChangeFeed } from './changes';
import { localInstant } from './moments';

/** How a bay runs is told from so many days: the season changes it. */
const LATELY_DAYS = 31;
/** A clock that is a little ahead is believed, ms. */
const AHEAD_MS = 5 * MS_PER_MIN;

/** What the instruments of the bays have said, once for every job, and the bay that follows from it. */
export function bayAirService(db: Db, changes: ChangeFeed, bays: ReturnType<typeof bayService>, now: () => Date) {
  const kept = bayReadingRepository(db);
  return {
    /**
     * The last days of a bay's air, thinned to so many stretches.
     * @throws ProblemError (404) for a bay there is not
     */
    history(id: string, days: number, points: number): BayHistory {
      const { climate } = bays.get(id);
      const nowMs = now().getTime();
      const [fromMs, toMs] = [nowMs - days * MS_PER_DAY, nowMs + AHEAD_MS];
      // What it is like of late, reading by reading; what lies further back is thinned where it lies.
      const lately = kept.between(id, nowMs - Math.min(days, LATELY_DAYS) * MS_PER_DAY, toMs);
      const faults = readingFaults(lately);
      const good = lately.filter((_, index) => faults[index] === undefined);
      const buckets = days > LATELY_DAYS ? kept.thinned(id, fromMs, toMs, points) : downsampled(good, points);
      const count = days > LATELY_DAYS ? kept.countBetween(id, fromMs, toMs) : lately.length;
      const last = lastGood(lately, toMs);
      const minuteOfDay = (atMs: number) => {
        const local = new Date(atMs);
        return local.getHours() * 60 + local.getMinutes();
      };
      const fit = fitBay(good, climate, minuteOfDay);
      return {
        buckets: buckets.map(({ atMs, ...bucket }) => ({ at: localInstant(atMs), ...bucket })),
        count,
        doubtful: count - buckets.reduce((sum, bucket) => sum + bucket.count, 0),
        simulated: lately.some(({ simulated }) => simulated),
        ...(last && {
          last: {
            at: localInstant(last.reading.atMs),
            airC: last.reading.airC,
            rhPct: last.reading.rhPct,
            source: lately.find(({ atMs }) => atMs === last.reading.atMs)!.source,
            ageMin: Math.max(0, (nowMs - last.reading.atMs) / MS_PER_MIN),
            spreadK: last.spreadK,
            isStale: last.isStale,
          },
        }),
        ...(fit && { fit }),
      };
    },
    /** @returns how many were new */
    take(id: string, { source, readings }: NewReadings): number {
      const rows = readings.map(({ at, airC, rhPct }): KeptReading => ({
        atMs: Date.parse(at),
        airC,
        rhPct,
        source,
        simulated: false,
      }));
      return keep(id, rows);
    },
    /** Readings of a bay as they were before somebody opened the workshop here. */
    begin: (id: string, readings: readonly KeptReading[]) => void kept.add(id, readings),
    /** Asks the instrument of every bay, and keeps what it says; what it does not say is no reading. */
    log(): void {
      const at = now();
      for (const bay of bays.all()) {
        const reading = simulatedThermoHygrometer(bay).read(at);
        if (!reading) continue;
        const { airC, rhPct, simulated } = reading;
        keep(bay.id, [{ atMs: at.getTime(), airC, rhPct, source: 'instrument', simulated }]);
      }
    },
  };

  function keep(id: string, rows: readonly KeptReading[]): number {
    bays.get(id);
    const added = kept.add(id, rows);
    if (added > 0) changes.tell({ kind: 'air', id });
    return added;
  }
}
