export * from './units';
export * from './tempo-map';
export * from './meter-map';
export * from './meter-sections';
export * from './ramp';
