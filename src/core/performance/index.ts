export * from './performance';
export * from './from-smf';
