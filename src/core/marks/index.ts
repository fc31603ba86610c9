export type { Attributes, Colour, MarkElement, ReadElement } from './elements';
export { numbered, type LineEvent, type LineKind, type LineKinds, type PlacedSign } from './line-mark';
export { MARK_GROUPS, type MarkGroup, type Sounding, type Stretch } from './note-mark';
export { LINE_NAMES, LINES, NOTE_MARKS } from './registry';
export { gradualWords } from './lines/hairpins';
