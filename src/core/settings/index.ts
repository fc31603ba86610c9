export * from './arranging';
export type { BarSpan } from './bar-span';
export * from './casting';
export * from './cleaning';
export * from './conversion';
export * from './free-time';
export * from './job';
export * from './sequencing';
export { steadySettings } from './steady';
