export { remediesFor, type Query } from './registry';
export { type OutOfRange } from './tracks/out-of-range';
export { type AuditDoubt } from './rhythm/audit';
export { type OneStep } from './rhythm/one-step';
export { type Remedy } from './query-kind';
