export * from './units';
export * from './tempo-map';
export * from './meter-map';
export * from './ramp';
