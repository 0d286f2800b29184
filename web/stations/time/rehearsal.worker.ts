import { aheadOf, type AheadSchool, type PlanInput } from '#core/plan/job';
import { rehearsalCase, type Rehearsed, type RehearsedPatch, rehearsing } from '#core/schedule/rehearsal';
import { type RunRecord, runSheet } from '#core/lay/run';
import { serveWorker } from '../../work/in-worker';

export interface RehearsalRequest {
  readonly planned: PlanInput;
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

/** All that was gone through. */
export interface RehearsalAnswer {
  readonly schools: readonly SchoolRehearsed[];
  /** As the sheet would have it without what was moved by hand; absent where nothing was. */
  readonly unmoved?: SchoolRehearsed;
}

serveWorker<RehearsalRequest, number, RehearsalAnswer>(
  ({ planned, record, fromMin, preparationMin, schools, days }, tell) => {
    const { moves, ...free } = planned;
    const isMoved = moves !== undefined && moves.length > 0;
    const rounds = schools.length + (isMoved ? 1 : 0);
    let round = 0;
    const through = (asked: PlanInput, school: AheadSchool): SchoolRehearsed => {
      const job = { ...asked, crew: { ...asked.crew, ahead: school } };
      const { out } = runSheet(job, record, fromMin);
      const ambient = out.actions[0]?.coat.coatCase.ambient ?? asked.ambient;
      const rehearsal = rehearsalCase(out, ambient, preparationMin, asked.handover);
      const steps = rehearsing(rehearsal, days);
      for (;;) {
        const step = steps.next();
        if (step.done) {
          round++;
          return { school, rehearsed: step.value, patches: rehearsal.patches.map(({ of }) => of) };
        }
        tell((round + step.value / days) / rounds);
      }
    };
    return {
      schools: schools.map((school) => through(planned, school)),
      ...(isMoved && { unmoved: through(free, aheadOf(planned.crew)) }),
    };
  },
);
