/*
 * Tracks: which tracks a part becomes, on which channel and port, with which sound.
 */
import { groupBy } from '../../base';
import { BRASS_MUTES, instrumentById, TECHNIQUE_PROGRAMS, printedTechnique, type TechniqueId } from '../../instruments';
import type { Part, PartId } from '../../score';
import type { MidiKey } from '../../time';
import { bendsAgainst, isBent } from './bends';
import { bandName, bandOf } from './key-bands';
import type { PerformedNote } from '../playing/perform';
import { partSettings, type PartSequencing, type SequencerSettings, type Split } from '../../settings';

export interface SequencerTrack {
  part: PartId;
  name: string;
  notes: PerformedNote[];
  /** 1–16 */
  channel: number;
  /** From 0; written only where there is more than one. */
  port: number;
  program: number | null;
  unpitched: boolean;
  technique: TechniqueId | null;
}

const PERCUSSION = 10;

export interface PerformedPart {
  part: Part;
  notes: PerformedNote[];
}

export function layTracks(parts: readonly PerformedPart[], settings: SequencerSettings): SequencerTrack[] {
  const tracks = parts.flatMap((one) =>
    splitPart(one, partSettings(settings, one.part.id).split ?? 'none', partSettings(settings, one.part.id)).flatMap(
      (track) => wheelsApart(track, settings),
    ),
  );
  let pitched = 0;
  // Tracks of one part that differ by technique have patches, and so channels, of their own.
  return tracks.map((track) => {
    const own = partSettings(settings, track.part).channel;
    if (settings.channels === 'one-channel')
      return { ...track, channel: track.unpitched ? PERCUSSION : (own ?? 1), port: 0 };
    if (track.unpitched) return { ...track, channel: PERCUSSION, port: 0 };
    const slot = pitched++;
    const at = slot % 15;
    return { ...track, channel: own ?? (at < 9 ? at + 1 : at + 2), port: own ? 0 : Math.floor(slot / 15) };
  });
}

/** A quarter tone in a chord has a track, and so a channel, of its own: the wheel would bend the others with it. */
function wheelsApart(track: Unplaced, settings: SequencerSettings): Unplaced[] {
  const glides = settings.ornaments ? settings.glides : 'none';
  const oneWheel = settings.preset === 'bare' || settings.channels === 'one-channel' || track.unpitched;
  if (oneWheel || !bendsAgainst(track.notes, glides)) return [track];
  const bent = (note: PerformedNote) => isBent(note, glides);
  return [
    { ...track, notes: track.notes.filter((note) => !bent(note)) },
    { ...track, name: `${track.name}, bent`, notes: track.notes.filter(bent) },
  ];
}

/** Drums may be written with pitches: then their channel says so, unless the name knows better. */
function isPercussion({ unpitched, channel, instrument }: Part): boolean {
  const maybeDrums = instrument === 'unknown' || instrumentById(instrument).unpitched;
  return unpitched || (channel === PERCUSSION && maybeDrums);
}

type Unplaced = Omit<SequencerTrack, 'channel' | 'port'> & { channel: number; port: number };

function splitPart({ part, notes }: PerformedPart, split: Split, own: PartSequencing): Unplaced[] {
  const name = own.trackName || part.name;
  const program = own.program ?? part.program;
  const base = { part: part.id, channel: 1, port: 0, unpitched: isPercussion(part) };
  const { passages = [] } = own;
  const passageOf = ({ sound }: PerformedNote) =>
    passages.findIndex(({ bars }) => sound.bar >= bars.from && sound.bar < bars.to);
  const rest = passages.length === 0 ? notes : notes.filter((note) => passageOf(note) < 0);
  const tracks = groupNotes(rest, split, part, own.splitKeys).map(({ label, notes: group, technique }): Unplaced => ({
    ...base,
    name: label ? `${name} ${label}` : name,
    notes: group,
    technique,
    program: own.program === undefined ? programFor(part, technique, program) : program,
  }));
  const apart = passages.map((passage, i): Unplaced => ({
    ...base,
    name: passage.name,
    notes: notes.filter((note) => passageOf(note) === i),
    technique: null,
    program: passage.program ?? program,
  }));
  return [...tracks, ...apart.filter((track) => track.notes.length > 0)];
}

interface Group {
  label: string;
  notes: PerformedNote[];
  technique: TechniqueId | null;
}

function groupNotes(
  notes: readonly PerformedNote[],
  split: Split,
  part: Part,
  splitKeys: readonly MidiKey[] = [],
): Group[] {
  const by = (
    keyOf: (note: PerformedNote) => string,
    label: (key: string) => string,
    technique: (key: string) => TechniqueId | null = () => null,
  ): Group[] => {
    const groups = groupBy(notes, keyOf);
    return [...groups]
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, group]) => ({
        label: groups.size > 1 || technique(key) ? label(key) : '',
        notes: group,
        technique: technique(key),
      }));
  };
  switch (split) {
    case 'none':
    case 'channel':
      // A part of a score has one channel.
      return [{ label: '', notes: [...notes], technique: null }];
    case 'technique':
      return by(
        (note) => note.sound.technique ?? '',
        (key) => (key === '' ? '' : printedTechnique(key as TechniqueId)),
        (key) => (key === '' ? null : (key as TechniqueId)),
      );
    case 'solo':
      return by(
        (note) => (note.sound.solo ? 'solo' : ''),
        (key) => key || 'tutti',
      );
    case 'voice':
      return by(
        (note) => String(note.sound.voice).padStart(2, '0'),
        (key) => `voice ${Number(key)}`,
      );
    case 'staff':
      return by(
        (note) => String(note.sound.staff),
        (key) => {
          if (part.clefs.length !== 2) return `staff ${key}`;
          return key === '1' ? 'right hand' : 'left hand';
        },
      );
    case 'lines':
      return lines(notes);
    case 'keys':
      return by(
        (note) => String(bandOf(note.key, splitKeys)).padStart(2, '0'),
        (key) => bandName(Number(key), splitKeys),
      );
  }
}

/** Chords as single lines, the highest note first. */
function lines(notes: readonly PerformedNote[]): Group[] {
  const starts = groupBy(notes, (note) => note.sound.start);
  const found: PerformedNote[][] = [];
  for (const chord of starts.values()) {
    const keys = [...new Set(chord.map((note) => note.sound.key))].sort((a, b) => b - a);
    for (const note of chord) {
      const line = keys.indexOf(note.sound.key);
      (found[line] ??= []).push(note);
    }
  }
  return found
    .filter(Boolean)
    .map((group, i) => ({ label: found.length > 1 ? `line ${i + 1}` : '', notes: group, technique: null }));
}

/** General MIDI, 1–128. */
const TRUMPET = 57;

function programFor(part: Part, technique: TechniqueId | null, usual: number | null): number | null {
  if (part.unpitched) return null;
  const { family, programs } = instrumentById(part.instrument);
  // The one muted brass of General MIDI is a trumpet: a muted horn stays a horn.
  const muted = technique === 'muted' || BRASS_MUTES.some((mute) => mute === technique);
  if (muted && family === 'brass') return programs.includes(TRUMPET) ? TECHNIQUE_PROGRAMS.muted!.brass! : usual;
  return (technique && TECHNIQUE_PROGRAMS[technique]?.[family]) || usual;
}
