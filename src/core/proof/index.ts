export * from './passage';
export * from './sequence-passage';
