export {
  FLASH_LEARNING,
  isSurprising,
  type LearnedFactor,
  learnFactor,
  type LearningModel,
  onALaterDay,
  predictiveSigma,
  untaught,
} from './log-normal';
