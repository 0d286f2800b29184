export {
  answerOf,
  type Below,
  bondsTo,
  goesWithWipe,
  intervalRulingsOn,
  LAYERING_RULES,
  mayOverrule,
  type Overruled,
  RULE_IDS,
  type RuleId,
  type Ruling,
  rulingsOn,
  type TooLate,
  withOverruled,
} from './rules';
export { breathesFor, foundOn, judgeStack, type LayerJudgement, type WayOut, withIntervals } from './stack';
export { touchedBy } from './touches';
