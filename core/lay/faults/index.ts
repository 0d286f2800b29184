export { faultsOf, LAYING_FAULT_IDS, LAYING_FAULTS, type LayingFault } from './laying-faults';
