/*
 * Tracks of a MIDI file while they are arranged: notes as notes, everything else as the events it came as.
 */
import { groupBy, leadingTrack, type NoteId, type PartId } from '../../base';
import type { Casting, CastPart } from '../../casting';
import { performanceFromSmf, type Performance, type PlayedNote } from '../../performance';
import { Message, Meta, type ChannelEvent, type SmfEvent, type SmfFile } from '../../smf';
import { playedUnits, type Ticks } from '../../time';

export interface WorkingNote {
  /** Of the played note it was; one that was put in by hand has its own. */
  id: NoteId;
  /** In written units of the file's own time line, not rounded. */
  start: number;
  end: number;
  key: number;
  velocity: number;
  /** 1–16, as received. */
  channel: number;
  /** As received; what another technique was played with is told by it. */
  technique: string | null;
}

export interface WorkingTrack {
  /** The part it comes from. */
  part: PartId;
  /** Track chunk of the file. */
  chunk: number;
  name: string;
  /** What tells it from others of its part; the whole name of a passage. */
  label: string;
  passage: boolean;
  notes: WorkingNote[];
  /** Controllers, programs, bends, texts, in order of tick. */
  others: SmfEvent[];
  /** 1–16 */
  channel: number;
  port: number | null;
  /** As received, of its first notes. */
  program: number | null;
  /** What was decided that it sounds as; null leaves the programs it came with. */
  sound: number | null;
  unpitched: boolean;
  /** Its chunk holds notes of other parts too. */
  shared: boolean;
  /** Something was decided about it. */
  touched: boolean;
}

const TIME_LINES: ReadonlySet<number> = new Set([
  Meta.tempo,
  Meta.timeSignature,
  Meta.keySignature,
  Meta.marker,
  Meta.smpteOffset,
  Meta.copyright,
  Meta.sequenceNumber,
]);

/** Tempo, meter, keys, markers: what belongs to the whole and not to a track. */
export function isOfTheWhole(event: SmfEvent): boolean {
  return event.kind === 'meta' && TIME_LINES.has(event.type);
}

/**
 * @param original what was received, by which the casting was made
 * @param file what of it goes along; the same chunks in the same order
 * @returns a track for each part, in the order of the file
 */
export function workingTracks(original: Performance, file: SmfFile, casting: Casting): WorkingTrack[] {
  const kept = performanceFromSmf({ file, warnings: [] });
  const became = whatBecame(original, kept);
  const order = new Map(original.tracks.map(({ id }, i) => [id, i]));
  const chunkOf = new Map(original.tracks.map(({ id, chunk }) => [id, chunk]));
  const shared = sharedChunks(original, casting);
  return casting.parts
    .map((part) => workingTrack(part, chunkOf.get(part.tracks[0]!)!))
    .sort((a, b) => order.get(leadingTrack(a.part))! - order.get(leadingTrack(b.part))!);

  function workingTrack(part: CastPart, chunk: number): WorkingTrack {
    const lead = original.tracks.find(({ id }) => id === part.tracks[0])!;
    const units = (tick: Ticks) => playedUnits(tick, original.ticksPerQuarter);
    const notes = part.sources.flatMap(({ notes: own }) =>
      own.flatMap((note): WorkingNote[] => {
        const now = became.get(note.id);
        if (!now) return [];
        const { start, end, key, velocity, channel } = now;
        return [
          {
            id: note.id,
            start: units(start),
            end: units(end),
            key,
            velocity,
            channel,
            technique: techniqueOf(part, note, lead),
          },
        ];
      }),
    );
    const channels = new Set(lead.channels);
    const others = part.tracks.flatMap((id) =>
      (file.tracks[chunkOf.get(id)!]?.events ?? []).filter((event) =>
        isOther(event, shared.has(chunk) ? channels : null),
      ),
    );
    return {
      part: part.id,
      chunk,
      name: lead.name,
      label: '',
      passage: false,
      notes: notes.sort((a, b) => a.start - b.start || a.key - b.key),
      others: others.sort((a, b) => a.tick - b.tick),
      channel: lead.channels[0] ?? 1,
      port: lead.port,
      program: lead.programs[0]?.program ?? null,
      sound: null,
      unpitched: part.instrument.unpitched,
      shared: shared.has(chunk),
      touched: part.tracks.length > 1 || part.player !== null,
    };
  }
}

function techniqueOf(part: CastPart, note: PlayedNote, { programs }: Performance['tracks'][number]): string | null {
  const program = programs.findLast(({ tick, channel }) => tick <= note.start && channel === note.channel)?.program;
  const known = part.techniqueOf.get(note.id);
  // Beside ways of playing that are known, the program it began with is the ordinary one.
  const ordinary = program === undefined || (part.techniqueOf.size > 0 && program === programs[0]!.program);
  return known ?? (ordinary ? null : `program ${program}`);
}

/** Chunks that several parts come from: a file of one track, drums among pitches, notes dealt out. */
function sharedChunks({ tracks }: Performance, { parts }: Casting): ReadonlySet<number> {
  const chunkOf = new Map(tracks.map(({ id, chunk }) => [id, chunk]));
  const uses = new Map<number, number>();
  for (const part of parts)
    for (const id of part.tracks) {
      const chunk = chunkOf.get(id)!;
      uses.set(chunk, (uses.get(chunk) ?? 0) + 1);
    }
  return new Set([...uses].filter(([, count]) => count > 1).map(([chunk]) => chunk));
}

const isStrike = ({ status }: ChannelEvent) =>
  (status & 0xf0) === Message.noteOn || (status & 0xf0) === Message.noteOff;

function isOther(event: SmfEvent, channels: ReadonlySet<number> | null): boolean {
  if (isOfTheWhole(event)) return false;
  if (event.kind !== 'channel')
    return event.kind !== 'meta' || (event.type !== Meta.trackName && event.type !== Meta.port);
  return !isStrike(event) && (channels === null || channels.has((event.status & 0x0f) + 1));
}

/** What became of each note in a file of which some notes were taken out or made longer. */
function whatBecame(original: Performance, kept: Performance): ReadonlyMap<NoteId, PlayedNote> {
  // A track that lost its drums or its channels bears the plain name of its chunk: chunks are compared.
  const slot = (chunk: number, { start, key, channel }: PlayedNote) => `${chunk}/${start}/${key}/${channel}`;
  const there = groupBy(
    kept.tracks.flatMap(({ chunk, notes }) => notes.map((note) => ({ chunk, note }))),
    ({ chunk, note }) => slot(chunk, note),
  );
  const found = new Map<NoteId, PlayedNote>();
  for (const { chunk, notes } of original.tracks)
    for (const note of notes) {
      const now = there.get(slot(chunk, note))?.shift();
      if (now) found.set(note.id, now.note);
    }
  return found;
}
