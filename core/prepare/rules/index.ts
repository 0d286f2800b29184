export { PREPARE_RULE_IDS, PREPARE_RULES, prepareRuling, type RuledPanel } from './rules';
export { mostTrusted } from './trust';
