export * from './instrument';
export * from './catalogue';
export * from './general-midi';
export * from './drum-map';
export * from './recognise';
export * from './techniques';
export { nameDetails, nameWords, type NameDetails } from './name-words';
export * from './tunings';
export * from './drum-layouts';
