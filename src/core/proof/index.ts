export * from './passage';
export * from './sequence-passage';
export type { Reason } from './reason';
export { reasonsFor } from './reasons';
export * from './agreement';
export * from './overlay';
export { changesBetween, type Changes } from './changes';
export { changesBetweenFiles } from './file-changes';
