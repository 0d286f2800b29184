import type { AheadSchool, PlannedJob } from '#core/work/plan';
import { rehearsalCase, type Rehearsed, type RehearsedPatch, rehearsing } from '#core/work/rehearsal';
import { type RunRecord, runSheet } from '#core/work/run';
import { serveWorker } from '../../work/in-worker';

export interface RehearsalRequest {
  readonly planned: PlannedJob;
  readonly record: RunRecord;
  readonly fromMin: number;
  /** Preparation still to come, minutes. */
  readonly preparationMin: number;
  readonly schools: readonly AheadSchool[];
  readonly days: number;
}
/** A run sheet of one school, gone through on many days. */
export interface SchoolRehearsed {
  readonly school: AheadSchool;
  readonly rehearsed: Rehearsed;
  readonly patches: readonly RehearsedPatch['of'][];
}

serveWorker<RehearsalRequest, number, readonly SchoolRehearsed[]>(
  ({ planned, record, fromMin, preparationMin, schools, days }, tell) =>
    schools.map((school, index) => {
      const job = { ...planned, crew: { ...planned.crew, ahead: school } };
      const { out } = runSheet(job, record, fromMin);
      const ambient = out.actions[0]?.coat.coatCase.ambient ?? planned.ambient;
      const asked = rehearsalCase(out, ambient, preparationMin, planned.handover);
      const steps = rehearsing(asked, days);
      for (;;) {
        const step = steps.next();
        if (step.done) return { school, rehearsed: step.value, patches: asked.patches.map(({ of }) => of) };
        tell((index + step.value / days) / schools.length);
      }
    }),
);
