export {
  answerOf,
  type Below,
  bondsTo,
  intervalRulingsOn,
  LAYERING_RULES,
  mayOverrule,
  type Overruled,
  RULE_IDS,
  type RuleId,
  type Ruling,
  rulingsOn,
  type TooLate,
  WHEN_TOO_LATE,
  whenTooLate,
  wipeRefusal,
  withOverruled,
} from './rules';
export {
  breathesFor,
  foundOn,
  judgeStack,
  type LayerJudgement,
  seenSubstrate,
  type WayOut,
  withIntervals,
  withOwnAircraft,
} from './stack';
export { touchedBy } from './touches';
