/* A track becomes several: passages on tracks of their own, then the rest by technique, voice, hand, line or keys. */
import { groupBy } from '../../base';
import { TECHNIQUES, techniqueName } from '../../instruments';
import type { PartSequencing } from '../../settings';
import type { SmfEvent } from '../../smf';
import { barIndexAt, QUARTER, type Bar } from '../../time';
import { bandName, bandOf } from '../tracks/key-bands';
import type { WorkingNote, WorkingTrack } from './working-tracks';

/** A note this little before a barline belongs to the bar behind it. */
const NEARLY: number = QUARTER / 16;

export function divided(track: WorkingTrack, own: PartSequencing, bars: readonly Bar[]): WorkingTrack[] {
  const { passages = [], split = 'none' } = own;
  if (passages.length === 0 && split === 'none') return [track];
  const starts = bars.map((bar) => bar.start);
  const passageOf = ({ start }: WorkingNote) => {
    const bar = barIndexAt(starts, start + NEARLY);
    return passages.findIndex((one) => bar >= one.bars.from && bar < one.bars.to);
  };
  const byPassage = groupBy(track.notes, passageOf);
  const rest = groupsOf(byPassage.get(-1) ?? [], own).map(({ label, notes }) => part(label, notes));
  const apart = passages.map(({ name, program }, i) => ({
    ...part(name, byPassage.get(i) ?? []),
    passage: true,
    ...(program !== undefined && { sound: program }),
  }));
  return [...rest, ...apart].filter(({ notes }) => notes.length > 0);

  /** Controllers and texts go with every track: they hold for all of its notes. */
  function part(label: string, notes: WorkingNote[]): WorkingTrack {
    const channels = new Set(notes.map((note) => note.channel));
    // What stands on one channel takes that channel's controllers along, and no others.
    const [channel] = channels.size === 1 ? channels : [track.channel];
    const others = split === 'channel' ? track.others.filter((event) => isOn(event, channel!)) : track.others;
    return { ...track, label, notes, others, channel: channel!, touched: true };
  }
}

function isOn(event: SmfEvent, channel: number): boolean {
  return event.kind !== 'channel' || (event.status & 0x0f) + 1 === channel;
}

interface Group {
  label: string;
  notes: WorkingNote[];
}

function groupsOf(notes: readonly WorkingNote[], { split = 'none', splitKeys = [] }: PartSequencing): Group[] {
  const by = <K extends string | number>(of: (note: WorkingNote) => K, label: (key: K) => string): Group[] => {
    const groups = [...groupBy(notes, of)].sort(([a], [b]) => (a < b ? -1 : 1));
    return groups.map(([key, group]) => ({ label: groups.length > 1 ? label(key) : '', notes: group }));
  };
  switch (split) {
    case 'technique':
      return by(({ technique }) => technique ?? '', nameOfTechnique);
    case 'keys':
      return by(
        ({ key }) => bandOf(key, splitKeys),
        (band) => bandName(band, splitKeys),
      );
    case 'channel':
      return by(
        ({ channel }) => channel,
        (channel) => `channel ${channel}`,
      );
    case 'lines':
      return lines(notes);
    case 'voice':
      return by(voicesOf(notes), (voice) => `voice ${voice + 1}`);
    default:
      return [{ label: '', notes: [...notes] }];
  }
}

function nameOfTechnique(technique: string): string {
  const known = TECHNIQUES.find((one) => one === technique);
  return known ? techniqueName(known) : technique || 'ordinary';
}

/** Chords as single lines, the highest note first. */
function lines(notes: readonly WorkingNote[]): Group[] {
  const found: WorkingNote[][] = [];
  for (const chord of groupBy(notes, ({ start }) => start).values()) {
    const downwards = [...chord].sort((a, b) => b.key - a.key);
    downwards.forEach((note, line) => (found[line] ??= []).push(note));
  }
  return found.map((group, i) => ({ label: found.length > 1 ? `line ${i + 1}` : '', notes: group }));
}

/** Two voices: what is held while another note is struck above or below it is one, what is struck the other. */
function voicesOf(notes: readonly WorkingNote[]): (note: WorkingNote) => number {
  const voices = new Map<WorkingNote, number>();
  const sounding: WorkingNote[] = [];
  for (const note of [...notes].sort((a, b) => a.start - b.start || b.key - a.key)) {
    const held = sounding.filter((other) => other.end > note.start + NEARLY && other.start < note.start);
    sounding.splice(0, sounding.length, ...held, note);
    // Under what is held above it, or above what is held below it.
    const under = held.some((other) => other.key > note.key && voices.get(other) === 0);
    voices.set(note, under ? 1 : 0);
    if (!under) for (const other of held) if (other.key < note.key && voices.get(other) === 0) voices.set(other, 1);
  }
  return (note) => voices.get(note) ?? 0;
}
