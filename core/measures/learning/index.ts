export {
  FLASH_LEARNING,
  isSurprising,
  type LearnedFactor,
  learnFactor,
  type LearningModel,
  onALaterDay,
  PACE_LEARNING,
  predictiveSigma,
  untaught,
} from './log-normal';
