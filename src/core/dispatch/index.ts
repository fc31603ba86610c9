export { DispatchDesk, type JobToSend, type Working } from './dispatch-desk';
export { deliver, type Delivered, type Dispatched, type Step } from './deliver';
export { previewOf, recipeFault, type Preview } from './in-words';
export { type Book, type Makers, type Sheet, type Take } from './makers';
export { nameBy, patternFault, Paths, PLACEHOLDERS, type NameFields } from './names';
export { CONTENTS, contentsSheet, packParcel, SUMS, sumsOf, withContents, type ContentsOf } from './parcel';
export { checkDelivered, type Checked } from './check';
export { oddNames, type CueParts, type OddNames } from './same-names';
export { type Finding } from '../receivers/finding';
