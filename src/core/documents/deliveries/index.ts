/* Every kind of file a recipe can ask for. To add one: a file here, a file in `dispatch/deliveries/`, and their lines. */
import type { Delivery } from './form';
import { lists, type ListsWish } from './lists';
import { map, type MapWish } from './map';
import { midi, type MidiWish } from './midi';
import { pages, type PagesWish } from './pages';
import { score, type ScoreWish } from './score';
import { sound, type SoundWish } from './sound';

/** What a recipe may want, by kind. */
export interface DeliveryWish {
  score: ScoreWish;
  midi: MidiWish;
  map: MapWish;
  lists: ListsWish;
  pages: PagesWish;
  sound: SoundWish;
}

export type DeliveryKind = keyof DeliveryWish;

/** In the order in which they are asked for. */
export const DELIVERY: { [K in DeliveryKind]: Delivery<DeliveryWish[K]> } = { score, midi, map, lists, pages, sound };

const isKind = (name: string): name is DeliveryKind => name in DELIVERY;
export const DELIVERIES = Object.keys(DELIVERY).filter(isKind);

export { USUAL_LISTS, type ListsWish } from './lists';
export { USUAL_MAP, type MapWish } from './map';
export { USUAL_MIDI, type MidiWish } from './midi';
export { BAR_NUMBERS, PAPER_SIZES, USUAL_PAGES, type PagesWish, type PaperSize } from './pages';
export { USUAL_SCORE, type ScoreWish } from './score';
export { SAMPLE_RATES, SOUND_VERSIONS, SOUND_WORDS, USUAL_SOUND, type SoundWish } from './sound';
export type { Amount, Code, Delivery, Field, OneOf, Text, Tick } from './form';
