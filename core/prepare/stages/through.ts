import { type StageRecord } from './stage-log';
import { stageKey, type StageRef } from './stage-ref';

/**
 * Whether a panel is through with a step: it was ticked off while the stage goes on at others, or the stage is finished
 * and the panel was not left out then. A stage that was planned, begun or paused says nothing of its panels.
 */
export function isThrough(stages: ReadonlyMap<string, StageRecord>, step: StageRef, panel: string): boolean {
  const record = stages.get(stageKey(step));
  if (!record) return false;
  return record.panels.includes(panel) || (record.endMin !== undefined && !record.without.includes(panel));
}
