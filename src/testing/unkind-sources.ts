/*
 * Two files as practitioners get them, made of the demo: a score as a sequencer exports it, and MIDI as a notation program
 * does. Everything they are known for is in them.
 */
import { demoOriginal } from '../../demo/make';
import { partId, trackId } from '../core/base';
import { writeMusicXml } from '../core/musicxml';
import { mapSymbols, NO_LINES, type Part, type Pitch, type Score } from '../core/score';
import { NO_SETTINGS, USUAL_SEQUENCING, type ConversionSettings } from '../core/settings';
import { Message, Meta, readSmf, writeSmf, type SmfEvent, type SmfTrack } from '../core/smf';
import { performanceFromSmf } from '../core/performance';
import { toScore } from '../core/to-score';
import { toSequencer, type SequencedFile } from '../core/to-sequencer';

const DRUMS = trackId('t6');

function demoScore(settings: ConversionSettings): Score {
  return toScore(performanceFromSmf(readSmf(demoOriginal())), settings).printed;
}

const SHARPS: readonly Pick<Pitch, 'step' | 'alter'>[] = (
  [
    ['C', 0],
    ['C', 1],
    ['D', 0],
    ['D', 1],
    ['E', 0],
    ['F', 0],
    ['F', 1],
    ['G', 0],
    ['G', 1],
    ['A', 0],
    ['A', 1],
    ['B', 0],
  ] as const
).map(([step, alter]) => ({ step, alter }));

const asPlayed = (key: number): Pitch => ({ ...SHARPS[key % 12]!, octave: Math.floor(key / 12) - 1 });

/**
 * Generic names, drums as chords of pitches in one voice, everything at concert pitch in C with sharps, a new system
 * every other bar.
 */
export function sequencersScore(): Uint8Array {
  const score = demoScore({
    ...NO_SETTINGS,
    instruments: { [DRUMS]: 'marimba' },
    voices: { [partId(DRUMS)]: 1 },
  });
  const parts = score.parts.map((part, p): Part => ({
    ...part,
    name: `Track ${p + 1}`,
    abbreviation: '',
    instrument: 'unknown',
    transposition: 0,
    transpositionSteps: 0,
    clefs: part.clefs.map((clef) => (clef === 'bass' ? 'bass' : 'treble')),
    clefChanges: [],
    channel: part.id === partId(DRUMS) ? 10 : part.channel,
    program: part.id === partId(DRUMS) ? null : part.program,
    writtenKeys: [0],
    lines: NO_LINES,
    tablature: null,
    bars: mapSymbols(part.bars, (symbol) => {
      const { marks: _marks, ...plain } = symbol;
      const notes = symbol.notes.map((note) => ({ ...note, pitch: asPlayed(note.key) }));
      return symbol.notes.length === 0 && !symbol.marks ? symbol : { ...plain, notes };
    }),
  }));
  const text = writeMusicXml({ ...score, keys: [{ bar: 0, fifths: 0, mode: 'major' }], parts });
  let measure = 0;
  return new TextEncoder().encode(
    text.replace(/<measure [^>]*>/g, (start) => (measure++ % 2 === 0 ? start : `${start}<print new-system="yes"/>`)),
  );
}

/** Times a track that a notation program says volume, pan, reverb and chorus. */
const SAID_AGAIN = 8;
const KICK = 36;
const SILENT_KICK = 24;

/**
 * A first track without notes, volume, pan, reverb and chorus again and again, two trombones as saxophones, the kick on a
 * key without a drum, one velocity throughout, every repeat played out.
 */
export function notationProgramsMidi(): Uint8Array {
  const score = demoScore(NO_SETTINGS);
  const [{ file }] = toSequencer(score, { ...USUAL_SEQUENCING, preset: 'expression' }) as [SequencedFile];
  const bassoon = file.tracks.findIndex((track) => nameOf(track.events) === 'Bassoon');
  const tracks = file.tracks.map((track, t): SmfTrack => (t === 0 ? track : { ...track, events: spoilt(track) }));
  const trombones = ['Trombone 1', 'Trombone 2'].map((name, i): SmfTrack => ({
    ...tracks[bassoon]!,
    events: tracks[bassoon]!.events.map((event) => renamed(event, name, 13 + i)),
  }));
  return writeSmf({ ...file, tracks: [...tracks, ...trombones] });
}

const ALTO_SAX = 66;

function nameOf(events: readonly SmfEvent[]): string {
  const name = events.find((event) => event.kind === 'meta' && event.type === Meta.trackName);
  return name?.kind === 'meta' ? new TextDecoder().decode(name.data) : '';
}

function renamed(event: SmfEvent, name: string, channel: number): SmfEvent {
  if (event.kind === 'meta')
    return event.type === Meta.trackName ? { ...event, data: new TextEncoder().encode(name) } : event;
  if (event.kind !== 'channel') return event;
  const status = (event.status & 0xf0) | channel;
  return (status & 0xf0) === Message.programChange ? { ...event, status, data1: ALTO_SAX - 1 } : { ...event, status };
}

function spoilt({ events, endTick }: SmfTrack): SmfEvent[] {
  const [first] = events.filter((event) => event.kind === 'channel');
  const channel = (first?.status ?? 0) & 0x0f;
  const mixer = Array.from({ length: SAID_AGAIN }, (_, i) =>
    [7, 10, 91, 93].map((controller): SmfEvent => ({
      kind: 'channel',
      tick: Math.floor((endTick * i) / SAID_AGAIN),
      status: Message.controlChange | channel,
      data1: controller,
      data2: 60 + ((i * controller) % 50),
    })),
  ).flat();
  const strikes = events.map((event): SmfEvent => {
    if (event.kind !== 'channel' || (event.status & 0xe0) !== 0x80) return event;
    const key = channel === 9 && event.data1 === KICK ? SILENT_KICK : event.data1;
    return { ...event, data1: key, data2: event.data2 === 0 ? 0 : 80 };
  });
  return [...mixer, ...strikes].sort((a, b) => a.tick - b.tick);
}
