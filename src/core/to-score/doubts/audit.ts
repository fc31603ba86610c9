/*
 * Audit: every conversion is held against its original.
 *
 *     played ids, keys, clock times  ──►  written sounds, played back (swing and tempo included)  ──►  what differs, and which
 *                                                                                                       stage answers for it
 *
 * Takes the written parts with the notes they came from; gives, part by part, how many notes are written where they
 * were played, how far off at most, and what became of the others. A difference no stage answers for becomes a query.
 */
import { inNumbers, say } from '../../words';
import { queryId, type TrackId } from '../../base';
import type { CastPart } from '../../casting';
import type { NoteId, PlayedNote } from '../../performance';
import type { AuditDoubt, Query } from '../../queries';
import { graceNotesOf, soundsOf, type Part, type PartId, type ScoreSound } from '../../score';
import {
  placeInWords,
  barIndexAt,
  secondsAtTick,
  ticksFromUnits,
  type Bar,
  type Milliseconds,
  type Seconds,
  type TempoMap,
  type WrittenUnits,
} from '../../time';
import type { BeatLine } from '../timing/beats';
import { isOffGrid } from './track-doubts';
import type { GridChoice } from '../timing/grid';
import { swung, type Swing } from '../timing/swing';
import type { PlacedNote } from '../timing/timed-note';
import type { ConversionSettings, GridPin, NoteEdit } from '../../settings';

/** What became of the played notes of one part. Every note is counted once. */
export interface PartAudit {
  part: PartId;
  notes: number;
  /** Written at the place they were played at, at their own pitch. */
  inPlace: number;
  /** The farthest of those from its place. */
  within: Milliseconds;
  /** Moved by the lead of their track: how many and by how much, and how many by one that nobody has confirmed. */
  lead: { notes: number; milliseconds: Milliseconds; unconfirmed: number };
  /** Written as a sign: behind trills, tremolos and grace notes, in spread chords. */
  signs: number;
  /** Struck twice on one place, written once. */
  merged: number;
  /** Changed by a person: moved, joined, put on another grid, another octave. */
  edited: number;
  /** Written further from where they were played than the grid allows itself; each is asked about. */
  moved: number;
  /** At another pitch, or not written, with nobody to answer for it. */
  repitched: NoteId[];
  missing: NoteId[];
  /**
   * Notes that stand elsewhere than the file has them exactly, or that a stage after the grid has moved too far; and
   * how to move them back.
   */
  displaced: { note: NoteId; by: WrittenUnits }[];
}

export interface Audit {
  parts: PartAudit[];
  /** The whole in a sentence. */
  words: string;
}

export interface AuditInput {
  part: CastPart;
  written: Part;
  grid: GridChoice;
  /** Seconds taken out of each track. */
  leads: ReadonlyMap<TrackId, Seconds>;
  /** Leads that somebody has set. */
  confirmed: ConversionSettings['leads'];
  edits: readonly NoteEdit[];
  pins: readonly GridPin[];
  /** It was decided that it is written as another part. */
  follows: boolean;
}

export interface AuditContext {
  bars: readonly Bar[];
  line: BeatLine;
  swing: Swing;
  tempo: TempoMap;
  ticksPerQuarter: number;
}

/** A place may be rounded by so much without anybody having moved it: a tick of a coarse file, a written unit. */
const ROUNDING: Seconds = 0.0025;

export function auditPart(
  { part, written, grid, leads, confirmed, edits, pins, follows }: AuditInput,
  context: AuditContext,
): PartAudit {
  const audit: PartAudit = {
    part: part.id,
    notes: 0,
    inPlace: 0,
    within: 0,
    lead: { notes: 0, milliseconds: 0, unconfirmed: 0 },
    signs: 0,
    merged: 0,
    edited: 0,
    moved: 0,
    repitched: [],
    missing: [],
    displaced: [],
  };
  const sounds = new Map<NoteId, ScoreSound>();
  for (const sound of soundsOf(written, context.bars))
    for (const id of sound.played) sounds.set(id, sounds.get(id) ?? sound);
  const graces = new Set(gracesOf(written));
  const placed = placedById(grid.notes);
  const touched = new Set(edits.flatMap((edit) => [edit.note, ...(edit.kind === 'join' ? [edit.with] : [])]));
  for (const { track, notes } of part.sources)
    for (const note of notes) {
      audit.notes++;
      judge(note, track, leads.get(track) ?? 0);
    }
  audit.within = Math.round(audit.within * 10) / 10;
  return audit;

  function judge(note: PlayedNote, track: TrackId, lead: Seconds): void {
    const sound = sounds.get(note.id);
    const from = placed.get(note.id);
    if (graces.has(note.id)) audit.signs++;
    else if (!sound && touched.has(note.id)) audit.edited++;
    else if (!sound || !from) audit.missing.push(note.id);
    else if (from.id !== note.id) countSecond(note, from);
    else if (touched.has(note.id)) audit.edited++;
    else if (sound.key !== note.key && !part.instrument.unpitched) audit.repitched.push(note.id);
    else if (from.ornament?.arpeggio) audit.signs++;
    else judgePlace(note, from, sound, { lead, sure: confirmed[track] !== undefined });
  }

  /** A note written as another one: behind a sign, or struck twice. */
  function countSecond(note: PlayedNote, from: PlacedNote): void {
    if (from.behind?.includes(note.id)) audit.signs++;
    else if (touched.has(from.id)) audit.edited++;
    else audit.merged++;
  }

  function judgePlace(
    note: PlayedNote,
    from: PlacedNote,
    sound: ScoreSound,
    { lead, sure }: { lead: Seconds; sure: boolean },
  ): void {
    const { tempo, ticksPerQuarter, swing, line } = context;
    const away = Math.abs(
      secondsAtTick(tempo, ticksFromUnits(swung(sound.start, swing, line), ticksPerQuarter)) -
        secondsAtTick(tempo, note.start) -
        lead,
    );
    // What starts with the file could not be played any earlier and keeps its place.
    const atStart = lead > 0 && note.start === 0 && sound.start === 0;
    // What stands on the page counts, not what the grid said: later stages may have moved it.
    const onPage = { ...from, start: sound.start };
    const home = from.meant ?? from.start;
    if (from.meant !== undefined && sound.start !== from.meant && pins.length > 0) audit.edited++;
    else if (sound.start !== home && follows) audit.edited++;
    else if (sound.start !== home && (from.meant !== undefined || isOffGrid(onPage, grid, line)))
      audit.displaced.push({ note: note.id, by: Math.round(home - sound.start) });
    else if (!atStart && away > ROUNDING && isOffGrid(from, grid, line)) audit.moved++;
    else if (lead !== 0 && !atStart) {
      const { notes, unconfirmed } = audit.lead;
      const milliseconds = Math.round(lead * 1000);
      audit.lead = { notes: notes + 1, milliseconds, unconfirmed: unconfirmed + (sure ? 0 : 1) };
    } else {
      audit.inPlace++;
      if (!atStart) audit.within = Math.max(audit.within, away * 1000);
    }
  }
}

/** Played notes that stand on the page as grace notes. */
function gracesOf({ bars }: Part): NoteId[] {
  return bars.flatMap(({ voices }) =>
    voices.flatMap(({ symbols }) => symbols.flatMap((symbol) => graceNotesOf(symbol).flatMap((grace) => grace.played))),
  );
}

/** Which written note each played one went into. */
function placedById(notes: readonly PlacedNote[]): Map<NoteId, PlacedNote> {
  const byId = new Map<NoteId, PlacedNote>();
  for (const note of notes) for (const id of note.absorbed) byId.set(id, note);
  for (const note of notes) byId.set(note.id, note);
  return byId;
}

type AuditQuery = (facts: AuditDoubt['facts'], notes: readonly NoteId[], words: (count: string) => string) => Query[];

/** Differences nobody answers for, by part and kind. There should be none: each names the stage that is at fault. */
export function auditQueries(audit: PartAudit, part: CastPart, grid: GridChoice, bars: readonly Bar[]): Query[] {
  const starts = bars.map((bar) => bar.start);
  const startOf = placedById(grid.notes);
  const query: AuditQuery = (facts, notes, words) => {
    if (notes.length === 0) return [];
    const at = startOf.get(notes[0]!)?.start ?? 0;
    return [
      {
        id: queryId(`audit/${facts.cause}/${part.id}`),
        kind: 'audit',
        part: part.id,
        at,
        bar: barIndexAt(starts, at),
        played: [...notes],
        message: `${part.name}, ${placeInWords(bars, at)}: ${words(notes.length === 1 ? say('doubts.aPlayedNote') : say('doubts.notesPlayedNotes', { notes: notes.length }))}`,
        facts,
      },
    ];
  };
  return [
    ...query({ cause: 'missing' }, audit.missing, (count) =>
      say('doubts.countDidNotReachThePageLostBetween', { count }),
    ),
    ...query({ cause: 'repitched' }, audit.repitched, (count) =>
      say('doubts.countStandAtAnotherPitchSpellingOr', { count }),
    ),
    ...query(
      { cause: 'displaced', moves: audit.displaced.map(({ note, by }) => ({ note, by })) },
      audit.displaced.map(({ note }) => note),
      (count) => say('doubts.countLeftTheirPlayedPositionGridOr', { count }),
    ),
    ...trillQuery(grid, query),
  ];
}

/** Trills swallow notes: what they stand for is said, and can be written out. */
function trillQuery(grid: GridChoice, query: AuditQuery): Query[] {
  const trills = grid.notes.filter((note) => note.ornament?.trill);
  const behind = trills.flatMap((note) => [note.id, ...(note.behind ?? [])]);
  const many = trills.length > 1 ? say('doubts.trillsTrills', { trills: trills.length }) : say('doubts.oneTrill');
  return query({ cause: 'trills' }, behind, () =>
    say('doubts.behindFastUnevenNotesAreWrittenAs', { behind: behind.length, many }),
  );
}

/**
 * The audits in a sentence: "All 4,312 notes are written; 3,980 where they were played, within 9 ms; 310 moved 80 ms later for the
 * lead of Horn, which nobody has confirmed; 22 behind a trill, tremolo, grace note or in a spread chord."
 */
export function auditInWords(audits: readonly PartAudit[], names: ReadonlyMap<PartId, string>): string {
  const sum = (of: (audit: PartAudit) => number) => audits.reduce((total, audit) => total + of(audit), 0);
  const notes = sum((one) => one.notes);
  if (notes === 0) return say('doubts.thereIsNoNoteToWrite');
  const missing = sum((one) => one.missing.length);
  const inPlace = sum((one) => one.inPlace);
  const within = Math.ceil(audits.reduce((most, one) => Math.max(most, one.within), 0));
  const place =
    within === 0
      ? say('doubts.exactlyWhereTheyWerePlayed')
      : say('doubts.whereTheyWerePlayedWithinWithinMs', { within });
  const written =
    missing > 0
      ? say('doubts.notesOfNotes2NotesAreWritten', { notes: notes - missing, notes2: notes })
      : say('doubts.allNotesNotesAreWritten', { notes });
  if (inPlace === notes) return `${written} ${place}.`;
  const others = [
    [sum((one) => one.signs), say('doubts.behindATrillTremoloGraceNoteOrInA')],
    [sum((one) => one.merged), say('doubts.struckTwiceAtOnePositionWritten')],
    [sum((one) => one.edited), say('doubts.changedByDecision')],
    [sum((one) => one.moved + one.displaced.length), say('doubts.furtherFromTheirPlaceThanTheGrid')],
    [sum((one) => one.repitched.length), say('doubts.atAnotherPitchAskedAbout')],
    [missing, say('doubts.notWrittenAskedAbout')],
  ] as const;
  const rest = others.filter(([count]) => count > 0).map(([count, words]) => `${inNumbers(count)} ${words}`);
  const kept = inPlace > 0 ? [`${inNumbers(inPlace)} ${place}`] : [];
  return `${[written, ...kept, ...leadsInWords(audits, names), ...rest].join('; ')}.`;
}

/** A lead is a move: how many notes, how far, and whether anybody has said so. */
function leadsInWords(audits: readonly PartAudit[], names: ReadonlyMap<PartId, string>): string[] {
  const led = audits.filter(({ lead }) => lead.notes > 0);
  const [first, ...others] = led;
  if (!first) return [];
  const moved = led.reduce((notes, { lead }) => notes + lead.notes, 0);
  const unconfirmed = led.reduce((notes, { lead }) => notes + lead.unconfirmed, 0);
  if (others.length === 0) {
    const { milliseconds } = first.lead;
    const way = say('doubts.millisecondsMsLater', {
      milliseconds: Math.abs(milliseconds),
      millisecondsOver0: milliseconds > 0,
    });
    const by = unconfirmed > 0 ? say('doubts.whichNobodyHasConfirmed') : say('doubts.asDecided');
    return [
      say('doubts.movedMovedWayForTheLeadOfNamesBy', { moved, way, names: names.get(first.part) ?? first.part, by }),
    ];
  }
  const most = led.reduce((ms, { lead }) => Math.max(ms, Math.abs(lead.milliseconds)), 0);
  const partly =
    unconfirmed === moved
      ? say('doubts.whichNobodyHasConfirmed')
      : say('doubts.unconfirmedOfThemNotConfirmed', { unconfirmed });
  const confirmed = unconfirmed === 0 ? say('doubts.asDecided') : partly;
  return [say('doubts.movedMovedByUpToMostMsForTheLeads', { moved, most, led: led.length, confirmed })];
}
