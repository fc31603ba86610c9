/* What is struck together, and how much it stands out: the material beats and barlines are found in. */
import { highest, lowest } from '../base';
import { PERCUSSION_CHANNEL, type Performance } from '../performance';
import { secondsAtTick, type MidiKey, type Seconds } from '../time';

/** Several notes that begin as one. */
export interface Onset {
  at: Seconds;
  /** How much it stands out from those about it: 0 on average, 1 a good deal. */
  accent: number;
  /** How loudly its tracks play it, told against what each of them plays about it. */
  loud: number;
  /** Lowest pitched key; null for percussion alone. */
  bass: MidiKey | null;
  keys: MidiKey[];
  /** Struck keys of percussion. */
  drums: MidiKey[];
  /** Until the longest of its notes ends. */
  length: Seconds;
}

/** Notes no further apart are struck together. */
const TOGETHER: Seconds = 0.045;
/** An accent is told against so many onsets to either side. */
const NEIGHBOURS = 12;
/** What differs by less is alike: strengths, and velocities. */
const SAME_STRENGTH = 0.25;
const SAME_VELOCITY = 4;
/** What is louder than what its track plays about it stands out. */
const LEANT_ON = 0.5;
/** A bass note is struck when nothing that low was for so long. */
const BASS_MEMORY: Seconds = 3;

/** Where nothing was before, this low is the bass. */
const LOW: MidiKey = 55;

interface Struck {
  at: Seconds;
  end: Seconds;
  key: MidiKey;
  velocity: number;
  loud: number;
  drum: boolean;
}

export function onsetsOf({ tracks, tempo }: Performance): Onset[] {
  const notes: Struck[] = tracks
    .flatMap((track) => {
      const loud = locally(
        track.notes.map(({ velocity }) => velocity),
        SAME_VELOCITY,
      );
      return track.notes.map((note, i) => ({
        at: secondsAtTick(tempo, note.start),
        end: secondsAtTick(tempo, note.end),
        key: note.key,
        velocity: note.velocity,
        loud: loud[i]!,
        drum: note.channel === PERCUSSION_CHANNEL,
      }));
    })
    .sort((a, b) => a.at - b.at);
  const groups: Struck[][] = [];
  for (const note of notes) {
    const last = groups.at(-1);
    if (last && note.at - last[0]!.at < TOGETHER) last.push(note);
    else groups.push([note]);
  }
  const raw = groups.map(weighed);
  const basses = bassLines(raw.map(({ onset }) => onset));
  const strengths = raw.map(({ strength, onset }, i) => strength + LEANT_ON * onset.loud + (basses[i] ? 1 : 0));
  const told = locally(strengths, SAME_STRENGTH);
  return raw.map(({ onset }, i) => ({ ...onset, accent: told[i]! }));
}

function weighed(group: readonly Struck[]): { onset: Onset; strength: number } {
  const total = group.reduce((sum, { velocity }) => sum + velocity / 80, 0);
  const at = group.reduce((sum, note) => sum + note.at * (note.velocity / 80), 0) / total;
  const pitched = group.filter(({ drum }) => !drum);
  const length = highest(group.map(({ at: from, end }) => end - from));
  const onset: Onset = {
    at,
    accent: 0,
    loud: group.reduce((sum, { loud }) => sum + loud, 0) / group.length,
    bass: pitched.length > 0 ? lowest(pitched.map(({ key }) => key)) : null,
    keys: pitched.map(({ key }) => key),
    drums: group.filter(({ drum }) => drum).map(({ key }) => key),
    length,
  };
  // Loudness and number add up slowly; what lasts stands out.
  return { onset, strength: 0.9 * Math.log2(1 + total) + 0.8 * Math.min(1.5, Math.sqrt(length)) };
}

/** Which onsets have the bass: nothing as low sounds shortly before. */
function bassLines(onsets: readonly Onset[]): boolean[] {
  return onsets.map(({ at, bass }, i) => {
    if (bass === null) return false;
    let low = 127;
    let before = 0;
    for (let j = i - 1; j >= 0 && at - onsets[j]!.at < BASS_MEMORY; j--) {
      low = Math.min(low, onsets[j]!.bass ?? 127);
      before++;
    }
    return before === 0 ? bass < LOW : bass <= low + 4;
  });
}

/** Against the mean of those about it, in spans of their spread and what differs by chance. */
function locally(values: readonly number[], chance: number): number[] {
  return values.map((value, i) => {
    const about = values.slice(Math.max(0, i - NEIGHBOURS), i + NEIGHBOURS + 1);
    const mean = about.reduce((sum, x) => sum + x, 0) / about.length;
    const spread = Math.sqrt(about.reduce((sum, x) => sum + (x - mean) ** 2, 0) / about.length);
    return (value - mean) / (spread + chance);
  });
}
