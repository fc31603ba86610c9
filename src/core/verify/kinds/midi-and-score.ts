import { say } from '../../words';
import { scoreHeard } from '../../receivers/score-notes';
import { sequencerClock } from '../../receivers/sequencer-clock';
import { attempt, cueOf, inFolder, isMidi, isScore, nameOf, type ClaimKind, type ParcelFile } from './kind';

/** A note of the file and one of the score are one when they are no further apart, in quarters. */
const NEAR = 0.5;

/** Notes of the whole MIDI file against those of the score, by key and place. Nothing is said of a score with repeats. */
export const midiAndScore: ClaimKind = {
  find: (files) =>
    files
      .filter((file) => isScore(file) && inFolder('Score')(file))
      .flatMap((score) => {
        const midi = wholeMidi(files, score);
        const [heard, clock] = [
          attempt(() => scoreHeard(score.bytes)),
          midi && attempt(() => sequencerClock(midi.bytes)),
        ];
        if (!heard || !clock || !midi || heard.folded) return [];
        const written = heard.parts.flatMap(({ notes }) => notes);
        const shift = clock.bars.length > heard.bars.length ? null : 0;
        if (shift === null) return [];
        const both = paired(written, clock.notes);
        return [
          {
            about: [midi.path, score.path],
            facts: {
              inMidi: clock.notes.length,
              inScore: written.length,
              both,
              sameBars: sameBars(heard.bars, clock.bars),
            },
          },
        ];
      }),
  says: ({ inMidi, inScore, both, sameBars: bars }, [midi, score]) =>
    say('verify.nameOfAndNameOf2BothOfInMidiNotes', {
      nameOf: nameOf(midi),
      nameOf2: nameOf(score),
      both: Number(both),
      inMidi: Number(inMidi),
      inScore: Number(inScore),
      bars: Boolean(bars),
    }),
};

/** The one MIDI file of the cue that is the whole. */
function wholeMidi(files: readonly ParcelFile[], score: ParcelFile): ParcelFile | null {
  const own = files.filter((file) => isMidi(file) && inFolder('MIDI')(file) && cueOf(file.path) === cueOf(score.path));
  return own.length === 1 ? own[0]! : null;
}

function paired(
  written: readonly { key: number; quarters: number }[],
  played: readonly { key: number; quarters: number }[],
): number {
  const places = (notes: readonly { key: number; quarters: number }[]) => {
    const byKey = new Map<number, number[]>();
    for (const { key, quarters } of notes) byKey.set(key, [...(byKey.get(key) ?? []), quarters]);
    for (const list of byKey.values()) list.sort((a, b) => a - b);
    return byKey;
  };
  const [here, there] = [places(written), places(played)];
  let both = 0;
  for (const [key, list] of here) {
    const others = there.get(key) ?? [];
    let j = 0;
    for (const at of list) {
      while (j < others.length && others[j]! < at - NEAR) j++;
      if (j < others.length && others[j]! <= at + NEAR) {
        both++;
        j++;
      }
    }
  }
  return both;
}

const sameBars = (score: readonly { quarters: number }[], midi: readonly { quarters: number }[]) =>
  midi.every(({ quarters }, i) => score[i] === undefined || Math.abs(score[i].quarters - quarters) < 0.01);
