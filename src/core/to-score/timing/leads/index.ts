export { appliedLead, estimateLeads, type Lead } from './lead';
export { LEAST_ASKED_CONFIDENCE, LEAST_LEAD_CONFIDENCE } from './tuning';
