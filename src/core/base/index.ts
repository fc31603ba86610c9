export * from './ids';
export { append, highest, lowest } from './lists';
export { beamSearch, type Beam } from './beam';
