export { overlayOf, type Overlay, type OnsetRow, type OverlaySource, type PartCompass } from './overlay';
export type { NearUnison } from './near-unisons';
