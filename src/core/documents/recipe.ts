import { say } from '../words';
import type { MarksOut } from '../score';
import {
  DELIVERIES,
  DELIVERY,
  USUAL_LISTS,
  USUAL_MAP,
  USUAL_MIDI,
  USUAL_PAGES,
  USUAL_SCORE,
  USUAL_SOUND,
  type DeliveryWish,
} from './deliveries';

/*
 * A recipe: what is handed over to somebody, and how. It names no job; any job can be handed over by it, whichever way it goes.
 */

/** What is wanted of each kind of file; null where none of it goes out. */
export type Wishes = { [K in keyof DeliveryWish]: DeliveryWish[K] | null };

export interface Recipe extends Wishes {
  name: string;
  /** What file names are made of; see `PLACEHOLDERS`. */
  pattern: string;
  marks: MarksOut;
  /** The files as they came go along. */
  originals: boolean;
}

const NOTHING: Recipe = {
  name: '',
  pattern: '{cue} {part} v{version}',
  marks: 'taken',
  score: null,
  midi: null,
  map: null,
  lists: null,
  pages: null,
  sound: null,
  originals: false,
};

/** A recipe as an earlier version kept it, with what it did not know yet as usual. */
export function completeRecipe(kept: Partial<Recipe>): Recipe {
  const wishes = Object.fromEntries(
    DELIVERIES.map((kind) => {
      const wish: unknown = kept[kind];
      const isWish = typeof wish === 'object' && wish !== null && !Array.isArray(wish);
      return [kind, isWish ? { ...DELIVERY[kind].usual, ...wish } : (wish ?? null)];
    }),
  );
  return { ...NOTHING, ...kept, ...wishes };
}

/** A recipe by its name: those that a house begins with are named in the language that is spoken until they are renamed. */
export function recipeName({ name }: Pick<Recipe, 'name'>): string {
  if (!HOUSE_RECIPES.some((one) => one.name === name)) return name;
  return say('documents.houseRecipe', { name: name.toLowerCase().replace(/[^a-z]/g, '') });
}

/** What a house begins with; each can be changed, and put back. */
export const HOUSE_RECIPES: readonly Recipe[] = [
  { ...NOTHING, name: 'Notation program', score: USUAL_SCORE },
  { ...NOTHING, name: 'Sequencer', midi: USUAL_MIDI },
  {
    ...NOTHING,
    name: 'Studio',
    map: { ...USUAL_MAP, click: true, countIn: 2 },
    lists: { ...USUAL_LISTS, tracks: false },
  },
  {
    ...NOTHING,
    name: 'Orchestrator’s parcel',
    marks: 'suggested',
    score: USUAL_SCORE,
    midi: { ...USUAL_MIDI, byInstrument: true },
    map: USUAL_MAP,
    lists: { ...USUAL_LISTS, queries: true },
    sound: { ...USUAL_SOUND, version: 'received' },
    originals: true,
  },
  {
    ...NOTHING,
    name: 'Teaching clips',
    midi: { ...USUAL_MIDI, whole: false, parts: true, sections: true, byInstrument: true },
    sound: { ...USUAL_SOUND, stems: true },
  },
  { ...NOTHING, name: 'Print', pages: USUAL_PAGES },
];
