/*
 * Direction A from end to end: a performance becomes a score.
 *
 *     casting → lead → grid → staves → voices → durations → keys and spelling → assembling
 *
 * The stages are pure; this file only hands their results on. It is a generator so that a caller can show progress, let
 * other work in between, or stop: each step yields before its work begins.
 */
import { drumSound, GENERAL_MIDI_DRUMS, type DrumMap } from '../instruments';
import { barsOfPerformance, type Performance, type TrackId } from '../performance';
import { voiceNumber, type Marker, type Part, type PartBar, type PartId, type Query, type Score, type ScoreNote } from '../score';
import { barBeat, writtenUnits, type Bar, type Milliseconds, type Seconds, type WrittenUnits } from '../time';
import { assembleVoice, wholeBarRest, type Chord } from './assemble';
import { layBeats, type BeatLine } from './beats';
import { castTracks, type Casting, type CastPart } from './casting';
import { writeEnds, type DurationReport, type EndedNote } from './durations';
import { fitGrids, type GridChoice } from './grid';
import { keysOfBars, signatures, type BarKey } from './keys';
import { estimateLeads, type Lead } from './lead';
import { writeStrokes } from './percussion';
import type { ConversionSettings } from './settings';
import { spell } from './spelling';
import { splitHands } from './staves';
import { tempoMarks } from './tempo-marks';
import { timeNotes, type TimedNote } from './timed-note';
import { separateVoices } from './voices';
import { writtenPitch, writtenTransposition } from './written-pitch';

export interface Progress {
  stage: 'casting' | 'lead' | 'grid' | 'voices' | 'spelling' | 'assembling';
  /** 0–1 over the whole work. */
  done: number;
}

/** What the engine decided for one part, with its reasons. */
export interface PartReport extends DurationReport {
  part: PartId;
  jitter: Seconds;
  /** The file has this part exactly on its grid. */
  exact: boolean;
  smallest: WrittenUnits;
  tupletBeats: number;
  leads: Record<TrackId, Lead>;
  /** Division of each beat, by the beats of `beatStarts`. */
  divisions: number[];
}

export interface Conversion {
  score: Score;
  casting: Casting;
  queries: Query[];
  reports: PartReport[];
  beatStarts: WrittenUnits[];
  barKeys: BarKey[];
}

/** A staff's notes with their written times, before they are spelled. */
interface StaffNotes {
  staff: number;
  notes: EndedNote[];
  /** Of the staff, from 0; same order as `notes`. */
  voices: number[];
}

const SECOND_VOICE_KEYBOARD = 0.5;
const SECOND_VOICE_MELODIC = 3.5;
/** A note this far from its place is asked about, in shares of the part's jitter and absolutely. */
const FAR_JITTERS = 3.5;
const FAR: Seconds = 0.045;
const LEAST_LEAD_CONFIDENCE = 0.6;

export function* convert(performance: Performance, settings: ConversionSettings, drums: DrumMap = GENERAL_MIDI_DRUMS): Generator<Progress, Conversion> {
  yield { stage: 'casting', done: 0 };
  const { output: casting, queries } = castTracks(performance, settings);
  const end = writtenUnits(performance.lastNoteEnd, performance.ticksPerQuarter);
  const bars = barsOfPerformance(performance);
  const line = layBeats(bars, performance.tempo);

  yield { stage: 'lead', done: 0.1 };
  const leads = leadsOf(performance, casting, line, settings);

  yield { stage: 'grid', done: 0.25 };
  const grids = fitGrids(
    casting.parts.map((part) => ({ notes: timedPart(part, performance, leads), pin: settings.grids[part.id], melodic: !part.instrument.polyphonic })),
    line,
  );

  const staves: StaffNotes[][] = [];
  const reports: PartReport[] = [];
  for (const [p, part] of casting.parts.entries()) {
    yield { stage: 'voices', done: 0.4 + (0.3 * p) / casting.parts.length };
    const { output, report } = writeStaves(part, grids[p]!, performance, line, drums);
    staves.push(output);
    reports.push({ ...report, part: part.id, leads: Object.fromEntries(part.tracks.map((track) => [track, leads.get(track)!])), ...gridFacts(grids[p]!) });
  }

  yield { stage: 'spelling', done: 0.7 };
  const { places, barKeys, keys } = spellParts(casting.parts, staves, bars, performance, settings);

  const parts: Part[] = [];
  for (const [p, part] of casting.parts.entries()) {
    yield { stage: 'assembling', done: 0.8 + (0.2 * p) / casting.parts.length };
    parts.push(assemblePart(part, staves[p]!, places[p]!, keys.map((key) => key.fifths), bars, drums));
    queries.push(...noteQueries(part, grids[p]!, bars, line, drums));
  }
  const score: Score = {
    title: settings.title ?? performance.title,
    bars,
    keys,
    tempos: tempoMarks(performance.tempo, end),
    markers: performance.markers.map((marker): Marker => ({ at: writtenUnits(marker.tick, performance.ticksPerQuarter), text: marker.text })),
    parts,
  };
  queries.push(...leadQueries(casting, leads), ...fileQueries(performance));
  return { score, casting, queries, reports, beatStarts: line.beats.map((beat) => beat.start), barKeys };
}

/** Runs a generator to its end without looking at the progress. */
export function toScore(performance: Performance, settings: ConversionSettings): Conversion {
  const steps = convert(performance, settings);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

function leadsOf(performance: Performance, casting: Casting, line: BeatLine, settings: ConversionSettings): Map<TrackId, Lead> {
  const written = new Set(casting.parts.flatMap((part) => part.tracks));
  const tracks = performance.tracks.filter((track) => written.has(track.id));
  return estimateLeads(new Map(tracks.map((track) => [track.id, timeNotes(track.notes, performance.tempo, 0)])), line, settings.leads);
}

/** A lead nobody can be sure of is not taken out; it is asked about instead. */
function appliedLead(lead: Lead | undefined): Seconds {
  if (!lead) return 0;
  return lead.pinned || lead.confidence >= LEAST_LEAD_CONFIDENCE ? lead.milliseconds / 1000 : 0;
}

function timedPart(part: CastPart, performance: Performance, leads: Map<TrackId, Lead>): TimedNote[] {
  return performance.tracks
    .filter((track) => part.tracks.includes(track.id))
    .flatMap((track) => timeNotes(track.notes, performance.tempo, appliedLead(leads.get(track.id))));
}

function gridFacts(grid: GridChoice) {
  return { jitter: grid.jitter, exact: grid.exact, smallest: grid.smallest, tupletBeats: grid.tupletBeats, divisions: grid.divisions };
}

function writeStaves(part: CastPart, grid: GridChoice, performance: Performance, line: BeatLine, drums: DrumMap): { output: StaffNotes[]; report: DurationReport } {
  const report: DurationReport = { gapsClosed: 0, overlapsTrimmed: 0 };
  if (part.instrument.unpitched) return { output: [{ staff: 1, ...writeStrokes(grid.notes, line, drums) }], report };
  const staffOfNote = part.instrument.clefs.length < 2 ? grid.notes.map(() => 1) : handsOf(part, grid, performance);
  const output = part.instrument.clefs.map((_, s): StaffNotes => {
    const own = grid.notes.filter((_note, i) => staffOfNote[i] === s + 1);
    const voiceOfNote = separateVoices(own, { secondVoice: part.instrument.polyphonic ? SECOND_VOICE_KEYBOARD : SECOND_VOICE_MELODIC });
    const notes: EndedNote[] = [];
    const voices: number[] = [];
    for (const voice of [0, 1]) {
      const ended = writeEnds({ notes: own.filter((_note, i) => voiceOfNote[i] === voice), line, divisions: grid.divisions, smallest: grid.smallest, exact: grid.exact });
      notes.push(...ended.notes);
      voices.push(...ended.notes.map(() => voice));
      report.gapsClosed += ended.report.gapsClosed;
      report.overlapsTrimmed += ended.report.overlapsTrimmed;
    }
    return { staff: s + 1, notes, voices };
  });
  return { output, report };
}

function handsOf(part: CastPart, grid: GridChoice, performance: Performance): number[] {
  const { staffOfTrack } = part;
  if (!staffOfTrack) return splitHands(grid.notes);
  const staffOfNote = new Map<number, number>();
  for (const track of performance.tracks) {
    const staff = staffOfTrack[track.id];
    if (staff) for (const note of track.notes) staffOfNote.set(note.id, staff);
  }
  return grid.notes.map((note) => staffOfNote.get(note.id) ?? 1);
}

function spellParts(parts: readonly CastPart[], staves: readonly StaffNotes[][], bars: readonly Bar[], performance: Performance, settings: ConversionSettings) {
  const flat = parts.flatMap((part, p) =>
    part.instrument.unpitched ? [] : staves[p]!.flatMap((staff, s) => staff.notes.map((note, n) => ({ ...note, p, s, n, line: p * 16 + s * 4 + staff.voices[n]! }))),
  );
  const estimated = keysOfBars(flat, bars);
  const keys = settings.key ? [{ bar: 0, ...settings.key }] : signatures(estimated, bars, performance.keys);
  const signatureOfBar = bars.map((bar) => keys.filter((key) => key.bar <= bar.index).at(-1)?.fifths ?? 0);
  const places: number[][][] = staves.map((part) => part.map((staff) => staff.notes.map(() => 0)));
  spell(flat, estimated, signatureOfBar, bars).forEach((place, i) => {
    const { p, s, n } = flat[i]!;
    places[p]![s]![n] = place;
  });
  return { places, barKeys: estimated, keys };
}

function assemblePart(part: CastPart, staves: readonly StaffNotes[], places: readonly number[][], concertKeys: readonly number[], bars: readonly Bar[], drums: DrumMap): Part {
  const { instrument } = part;
  const transposition = writtenTransposition(instrument.transposition, concertKeys);
  const partBars: PartBar[] = bars.map(() => ({ voices: [] }));
  staves.forEach((staff, s) => {
    for (const voice of [0, 1]) {
      const chords = chordsOfVoice(staff, voice, (note, n) => scoreNote(note, places[s]![n]!));
      for (const [bar, symbols] of assembleVoice(chords, bars)) partBars[bar]!.voices.push({ staff: staff.staff, voice: voiceNumber(staff.staff, voice), symbols });
    }
  });

  function scoreNote(note: EndedNote, place: number): Chord['notes'][number] {
    const played = [note.id, ...note.absorbed];
    if (!instrument.unpitched) return { key: note.key, pitch: writtenPitch(note.key, place, transposition), played };
    const sound = drumSound(drums, note.key);
    return { key: note.key, pitch: { step: sound.step, alter: 0, octave: sound.octave }, notehead: sound.notehead, played };
  }

  // Every staff shows something in every bar.
  partBars.forEach((partBar, b) => {
    for (const { staff } of staves) {
      if (!partBar.voices.some((voice) => voice.staff === staff)) partBar.voices.push({ staff, voice: voiceNumber(staff, 0), symbols: [wholeBarRest(bars[b]!)] });
    }
    partBar.voices.sort((a, b) => a.voice - b.voice);
  });
  return {
    id: part.id,
    name: part.name,
    abbreviation: part.abbreviation,
    instrument: instrument.id,
    transposition: instrument.transposition,
    transpositionSteps: transposition.steps,
    clefs: [...instrument.clefs],
    unpitched: instrument.unpitched,
    channel: instrument.unpitched ? 10 : 1,
    program: instrument.programs[0] ?? null,
    writtenKeys: concertKeys.map((key) => (instrument.unpitched ? 0 : key + transposition.fifths)),
    bars: partBars,
  };
}

function chordsOfVoice(staff: StaffNotes, voice: number, write: (note: EndedNote, n: number) => Omit<ScoreNote, 'tieFromLast' | 'tieToNext'>): Chord[] {
  const byStart = new Map<WrittenUnits, Chord>();
  staff.notes.forEach((note, n) => {
    if (staff.voices[n] !== voice) return;
    const chord = byStart.get(note.start);
    if (chord) chord.notes.push(write(note, n));
    else byStart.set(note.start, { start: note.start, end: note.end, notes: [write(note, n)] });
  });
  const chords = [...byStart.values()].sort((a, b) => a.start - b.start);
  for (const chord of chords) chord.notes.sort((a, b) => a.key - b.key);
  return chords;
}

function noteQueries(part: CastPart, grid: GridChoice, bars: readonly Bar[], line: BeatLine, drums: DrumMap): Query[] {
  const queries: Query[] = [];
  const starts = bars.map((bar) => bar.start);
  const place = (at: WrittenUnits) => {
    const { bar, beat } = barBeat(bars, at);
    return { words: `bar ${bar}, beat ${beat}`, bar: bars.findLastIndex((_, i) => starts[i]! <= at) };
  };
  const outside: typeof grid.notes = [];
  for (const note of grid.notes) {
    const beat = line.beats.findLastIndex((_, i) => line.starts[i]! <= note.start);
    const away: Seconds = (note.onset - note.start) * line.secondsPerUnit[Math.max(0, beat)]!;
    if (Math.abs(away) > Math.max(FAR, FAR_JITTERS * grid.jitter)) {
      const { words, bar } = place(note.start);
      const ms: Milliseconds = Math.round(away * 1000);
      queries.push({
        id: `off-grid/${part.id}/${note.id}`,
        kind: 'off-grid',
        part: part.id,
        at: note.start,
        bar,
        played: [note.id],
        message: `${part.name}, ${words}: played ${Math.abs(ms)} ms ${ms > 0 ? 'after' : 'before'} the place it is written on.`,
        facts: { ms },
      });
    }
    const [low, high] = part.instrument.range;
    if (part.instrument.unpitched ? !drums.has(note.key) : note.key < low || note.key > high) outside.push(note);
  }
  // One query for each key that does not fit, at the first place it occurs.
  for (const key of new Set(outside.map((note) => note.key))) {
    const notes = outside.filter((note) => note.key === key);
    const { words, bar } = place(notes[0]!.start);
    const times = notes.length > 1 ? ` (${notes.length} times)` : '';
    queries.push({
      id: `${part.instrument.unpitched ? 'unmapped-drum' : 'out-of-range'}/${part.id}/${key}`,
      kind: part.instrument.unpitched ? 'unmapped-drum' : 'out-of-range',
      part: part.id,
      at: notes[0]!.start,
      bar,
      played: notes.map((note) => note.id),
      message: part.instrument.unpitched
        ? `${part.name}, ${words}: key ${key} is not in the drum map${times}.`
        : `${part.name}, ${words}: key ${key} lies outside the instrument’s range ${part.instrument.range.join('–')}${times}.`,
      facts: { key },
    });
  }
  return queries;
}

function leadQueries(casting: Casting, leads: Map<TrackId, Lead>): Query[] {
  return casting.parts.flatMap((part) =>
    part.tracks.flatMap((track): Query[] => {
      const lead = leads.get(track)!;
      if (lead.pinned || lead.milliseconds === 0 || lead.confidence >= LEAST_LEAD_CONFIDENCE) return [];
      return [{ id: `lead/${track}`, kind: 'lead', track, part: part.id, message: `${part.name} may have been played ${Math.abs(lead.milliseconds)} ms ${lead.milliseconds > 0 ? 'early' : 'late'} (${Math.round(lead.confidence * 100)} % sure); written as played so far.`, facts: { ms: lead.milliseconds } }];
    }),
  );
}

function fileQueries(performance: Performance): Query[] {
  return performance.warnings.map((warning, i) => ({ id: `file/${i}/${warning.track ?? ''}/${warning.tick ?? ''}`, kind: 'file', track: warning.track, message: warning.message }));
}
