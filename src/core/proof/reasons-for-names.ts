/* Why a note has its name, and why it is played on another instrument of its player. */
import { spokenName } from '../instruments';
import { say } from '../words';
import type { NoteId } from '../performance';
import {
  fifthsOf,
  keyName,
  nameWithoutOctave,
  symbolsOf,
  transpositionAt,
  type Part,
  type Pitch,
  type ScoreNote,
} from '../score';
import type { Place, Reason } from './reason';

/** Keys are named with at most seven signs. */
const MOST_SIGNS = 7;

/** Of notes that are no plain letter: what gave them their name. */
export function whichName({ conversion, p, part, note, bar }: Place): Reason | null {
  const { casting, barKeys, score } = conversion;
  const { pitch } = writtenNotes(score.parts[p]!, note.id)[0] ?? {};
  if (casting.parts[p]!.instrument.unpitched || !pitch || pitch.alter === 0) return null;
  const heard = barKeys[bar];
  const read = heard && heard.fifths + fifthsOf(transpositionAt(score.parts[p]!, bar));
  const prefer = pitch.alter > 0 ? 'flats' : 'sharps';
  return {
    words:
      heard && read !== undefined && Math.abs(read) <= MOST_SIGNS
        ? say('proof.namedNoteNameForKeyNameWhichThis', {
            noteName: noteName(pitch),
            keyName: keyName({ fifths: read, mode: heard.mode }),
          })
        : say('proof.namedNoteName', { noteName: noteName(pitch) }),
    remedies: [
      {
        label: say('proof.respellWithPrefer', { prefer }),
        decision: { kind: 'respellNotes', part, notes: [note.id], prefer },
      },
    ],
  };
}

function writtenNotes(part: Part, played: NoteId): ScoreNote[] {
  return [...symbolsOf(part)].flatMap(({ symbol }) => symbol.notes.filter((one) => one.played.includes(played)));
}

/** As it is printed, without its octave. */
const noteName = (pitch: Pitch) => nameWithoutOctave(pitch);

export function whichInstrument({ conversion: { casting }, p, part, note, bar }: Place): Reason | null {
  const { instrument, doublings, doublingOf } = casting.parts[p]!;
  const taken = doublings[doublingOf.get(note.id) ?? -1];
  if (!taken) return null;
  return {
    words: say('proof.playedOnEnOnWhichThePlayerDoubles', { en: spokenName(taken) }),
    remedies: [
      {
        label: say('proof.onEnInThisBar', { en: spokenName(instrument) }),
        decision: { kind: 'takeUp', part, instrument: instrument.id, bars: { from: bar, to: bar + 1 } },
      },
    ],
  };
}
