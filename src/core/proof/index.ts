export * from './passage';
export * from './sequence-passage';
export { reasonsFor, type Reason } from './reasons';
export * from './agreement';
export * from './overlay';
export { changesBetween, type Changes } from './changes';
export { changesBetweenFiles } from './file-changes';
