export { carryOver } from './carry';
export { sourceOf, type SourceScore } from './source';
