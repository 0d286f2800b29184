export { type PanelRenewal, RENEWAL_WAYS, renewalJob, renewalOf, type RenewalWay } from './renewal';
