/*
 * Spelling as people want it: names they chose for single notes or for some bars take the place of those the context
 * gives.
 */
import { nameAtFifths } from '../../score';
import { nearestPlace } from './written-pitch';
import type { NoteToSpell } from './spelling';
import type { SpellingChoice } from '../../settings';

/** A note with what a choice may name it by. */
export interface ChosenNote extends NoteToSpell {
  part: string;
  played: readonly number[];
  bar: number;
}

/** On the line of fifths, the names with one sharp or flat lie around these places. */
const SHARPS = 9;
const FLATS = -5;

/**
 * @param places concert names by place on the line of fifths, same order as `notes`
 * @returns with the choices carried out
 */
export function chosenNames(
  notes: readonly ChosenNote[],
  places: readonly number[],
  choices: readonly SpellingChoice[],
): number[] {
  if (choices.length === 0) return [...places];
  return places.map((place, i) => {
    const note = notes[i]!;
    const choice = choices.findLast((one) =>
      one.kind === 'notes'
        ? one.part === note.part && note.played.some((id) => one.notes.includes(id))
        : (one.part === null || one.part === note.part) && note.bar >= one.bars.from && note.bar < one.bars.to,
    );
    if (!choice) return place;
    if (choice.kind === 'notes') return respelled(place, choice.prefer);
    // In a range, white keys keep their names: what is preferred are sharps or flats for the black ones.
    return nameAtFifths(place).alter === 0
      ? place
      : nearestPlace(note.key, choice.prefer === 'sharps' ? SHARPS : FLATS);
  });
}

/** The next name towards sharps or flats, so long as it has no more than a double sign. */
function respelled(place: number, prefer: 'sharps' | 'flats'): number {
  const next = place + (prefer === 'sharps' ? 12 : -12);
  return Math.abs(nameAtFifths(next).alter) <= 2 ? next : place;
}
