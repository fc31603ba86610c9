export * from './passage';
