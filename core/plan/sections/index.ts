export { type FitOption, whatWouldFit } from './fit';
export { slowness } from './slowness';
export {
  CREW_MODES,
  type CrewMode,
  DEFAULT_PACE,
  maxSectionM2,
  type Pace,
  sectionCount,
  sectionTiming,
  type SectionTiming,
} from './section';
