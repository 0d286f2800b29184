export {
  KEEP_WET_SHARE_OF_CUE,
  type MatteSchool,
  milestoneFactor,
  SUBSTRATE_IDS,
  substrateFactors,
  type Substrate,
  type SubstrateId,
  SUBSTRATES,
} from './substrates';
