/*
 * Direction A from end to end: a performance becomes a score.
 *
 *     casting → lead → grid → staves → voices → durations → keys and spelling → assembling
 *
 * The stages are pure; this file only hands their results on. It is a generator so that a caller can show progress, let
 * other work in between, or stop: each step yields before its work begins.
 */
import { append } from '../base';
import type { InstrumentId } from '../instruments';
import { cast, type Casting, type CastPart } from '../casting';
import { barsOfPerformance, type Performance, type TrackId } from '../performance';
import type { Query } from '../queries';
import { foldScore, type Fold, type Part, type PartId, type Score } from '../score';
import { layBars, writtenUnits, type Bar, type Seconds, type WrittenUnits } from '../time';
import { assemblePart } from './notation/assemble-part';
import { auditInWords, auditPart, auditQueries, type Audit } from './doubts/audit';
import { layBeats, type BeatLine } from './timing/beats';
import { fileQueries, keyQueries, leadQueries, noteQueries, suspectedSwitches, trackQueries } from './doubts/doubts';
import type { DurationReport } from './layout/durations';
import { barRepeatQueries, doublingQueries, manySoundsQueries } from './doubts/copyist-doubts';
import { fitGrids, type GridChoice } from './timing/grid';
import { agreeDoubles, sameWriting, type Doubling, type DoublingPart } from './layout/doubled-lines';
import { fret, type Fretting } from './notation/fretting';
import type { BarKey } from './pitch/keys';
import { markParts } from './marks/mark-parts';
import type { MarkReport } from './marks';
import {
  drumQueries,
  layeredDrumQueries,
  frettingQueries,
  keyChangeQueries,
  repeatQueries,
} from './doubts/page-doubts';
import { partDrums, type PartDrums } from './layout/part-drums';
import { codesOf, findRepeats, withBarRepeats } from './notation/repeats';
import { markersOf, tempoWords } from './notation/texts';
import { appliedLead, type Lead } from './timing/lead';
import { applyEdits } from './timing/edits';
import { Memo, sameNumbers } from './memo';
import { findOrnaments, NO_ORNAMENTS, type OrnamentReport } from './timing/ornaments';
import { rhythmQueries } from './doubts/rhythm-doubts';
import { isDefaultKey } from './pitch/signatures';
import { spellParts } from './pitch/spell-parts';
import { findSwing, withoutSwing, type Swing } from './timing/swing';
import { swingMarks, swingsAt, swingSigns } from './timing/swing-signs';
import { keepsLength, writeStaves, type LengthSpan, type StaffNotes, type StaffSettings } from './layout/staff-notes';
import { tempoMarks } from './notation/tempo-marks';
import { leadsOf, timedPart } from './timing/track-leads';
import { castingSettings, VALUE_LENGTH, type ConversionSettings, type LengthChoice } from '../settings';

export interface Progress {
  stage: 'casting' | 'lead' | 'grid' | 'voices' | 'spelling' | 'assembling';
  /** 0–1 over the whole work. */
  done: number;
}

/** What the engine decided for one part, with its reasons. */
export interface PartReport extends DurationReport, OrnamentReport {
  part: PartId;
  jitter: Seconds;
  /** The file has this part exactly on its grid. */
  exact: boolean;
  smallest: WrittenUnits;
  tupletBeats: number;
  leads: Record<TrackId, Lead>;
  /** Division of each beat, by the beats of `beatStarts`. */
  divisions: number[];
  marks: MarkReport;
  /** Chords of a fretted part that cannot be held. */
  impossibleChords: number;
}

export interface Conversion {
  /** Written out: every bar that was played. */
  score: Score;
  /** As it goes out: with the repeat signs that were decided. */
  printed: Score;
  /** Stretches that could be written once. */
  repeats: Fold[];
  casting: Casting;
  queries: Query[];
  reports: PartReport[];
  line: BeatLine;
  swing: Swing;
  barKeys: BarKey[];
  /** The written score held against what was played. */
  audit: Audit;
  /** The notes of each part as the stages left them, in order of `casting.parts`. */
  staves: StaffNotes[][];
  /** How its percussion is read. */
  drums: PartDrums[];
  /** Parts that play the same. */
  doublings: Doubling[];
}

/**
 * @param memo of an earlier conversion of the same performance: what its inputs have not changed is not computed again
 */
export function* convert(
  performance: Performance,
  settings: ConversionSettings,
  memo = new Memo(),
): Generator<Progress, Conversion> {
  yield { stage: 'casting', done: 0 };
  const { output: casting, queries: castingQueries } = memo.recall(
    'casting',
    [performance, JSON.stringify(castingSettings(settings))],
    () => cast(performance, settings),
  );
  const queries = [...castingQueries];
  const end = writtenUnits(performance.lastNoteEnd, performance.ticksPerQuarter);
  const laid = memo.recall('bars', [performance], () => barsWithRoom(performance));
  const line = memo.recall('beats', [laid], () => layBeats(laid, performance.tempo));

  yield { stage: 'lead', done: 0.1 };
  const { leads, exact } = memo.recall('leads', [casting, line, JSON.stringify(settings.leads)], () =>
    leadsOf(performance, casting, line, settings),
  );

  yield { stage: 'grid', done: 0.25 };
  const timed = casting.parts.map((part) =>
    memo.recall(
      `timed/${part.id}`,
      [part, JSON.stringify(part.tracks.map((track) => appliedLead(leads.get(track))))],
      () => timedPart(part, performance, leads, exact),
    ),
  );
  const ornaments = casting.parts.map((part, p) =>
    memo.recall(`ornaments/${part.id}`, [timed[p], line, settings.plain[part.id]], () =>
      settings.plain[part.id]
        ? { notes: timed[p]!, report: NO_ORNAMENTS }
        : findOrnaments(timed[p]!, line, part.instrument),
    ),
  );
  const swing = memo.settle(
    'swing',
    findSwing(timed, line, laid.length, swingSigns(performance, casting), settings.swing),
    (a, b) => JSON.stringify(a) === JSON.stringify(b),
  );
  const evened = casting.parts.map((part, p) =>
    memo.recall(`evened/${part.id}`, [ornaments[p], line, swing], () =>
      ornaments[p]!.notes.map((note) => withoutSwing(note, swing, line)),
    ),
  );
  const fitted = fitGrids(
    casting.parts.map((part, p) => ({
      id: part.id,
      notes: evened[p]!,
      pins: settings.grids[part.id] ?? [],
      melodic: !part.instrument.polyphonic,
    })),
    line,
    memo,
  );
  const grids = fitted.map((grid, p) => {
    const edits = settings.edits[casting.parts[p]!.id] ?? [];
    return memo.recall(`edited/${casting.parts[p]!.id}`, [grid, JSON.stringify(edits)], () => ({
      ...grid,
      notes: applyEdits(grid.notes, edits),
    }));
  });

  const own: StaffNotes[][] = [];
  const drums = casting.parts.map((part, p) =>
    memo.recall(
      `drums/${part.id}`,
      [part, grids[p], JSON.stringify([settings.drumMaps[part.id], settings.drumKeys[part.id]])],
      () =>
        partDrums(
          part,
          part.instrument.unpitched ? grids[p]!.notes : [],
          settings.drumMaps[part.id],
          settings.drumKeys[part.id],
        ),
    ),
  );
  const durations: DurationReport[] = [];
  for (const [p, part] of casting.parts.entries()) {
    yield { stage: 'voices', done: 0.4 + (0.3 * p) / casting.parts.length };
    const staffs = staffSettings(part.id, settings, laid);
    const { output, report } = memo.recall(
      `staves/${part.id}`,
      [part, grids[p], line, drums[p], swing, JSON.stringify(staffs)],
      () => writeStaves(part, grids[p]!, line, drums[p]!.map, staffs, swingsAt(swing, laid)),
    );
    own.push(output);
    durations.push(report);
  }

  const doubled = memo.recall(
    'doubles',
    [laid, ...own, ...grids, JSON.stringify([settings.lengths, settings.doubles])],
    () =>
      agreeDoubles(
        casting.parts.map((part, p) => doublingPart(part, own[p]!, grids[p]!, settings, laid)),
        laid,
      ),
  );
  const staves = doubled.staves.map(
    (part, p) =>
      memo.settle(
        `agreed/${casting.parts[p]!.id}`,
        { own: own[p]!, part },
        (a, b) => a.own === b.own && sameWriting(a.part, b.part),
      ).part,
  );

  yield { stage: 'spelling', done: 0.7 };
  const bars = memo.settle(
    'bars in use',
    barsInUse(laid, staves, barsOfPerformance(performance).length),
    (a, b) => a.length === b.length && a[0] === b[0],
  );
  const { places, barKeys, keys } = spellParts(casting.parts, staves, bars, performance, settings);
  const concertKeys = memo.settle(
    'keys',
    keys.map((key) => key.fifths),
    sameNumbers,
  );

  const assembled: Part[] = [];
  const frettings: Fretting[] = [];
  for (const [p, part] of casting.parts.entries()) {
    yield { stage: 'assembling', done: 0.8 + (0.15 * p) / casting.parts.length };
    const placed = places[p]!.map((staff, s) => memo.settle(`places/${part.id}/${s}`, staff, sameNumbers));
    const switches = memo.settle(
      `switches/${part.id}`,
      suspectedSwitches(part, queries),
      (a, b) => [...a].join() === [...b].join(),
    );
    const { tablature, clefs, fixedClefs } = {
      tablature: settings.tablatures[part.id] ?? null,
      clefs: settings.clefs[part.id] ?? {},
      fixedClefs: settings.fixedClefs[part.id] ?? false,
    };
    const fretting = memo.recall(`fretting/${part.id}`, [staves[p], JSON.stringify(tablature)], () =>
      tablature && tablature.show !== 'notation'
        ? fret(
            staves[p]!.flatMap((staff) => staff.notes),
            tablature,
          )
        : NO_FRETTING,
    );
    frettings.push(fretting);
    assembled.push(
      memo.recall(
        `part/${part.id}`,
        [
          part,
          staves[p],
          ...placed,
          concertKeys,
          bars,
          drums[p],
          p,
          JSON.stringify([tablature, clefs, fixedClefs]),
          fretting,
        ],
        () =>
          assemblePart(part, staves[p]!, placed, concertKeys, bars, {
            channel: playbackChannel(p),
            fixedClefs,
            clefs,
            drums: drums[p]!,
            tablature,
            fingerings: fretting.fingerings,
          }),
      ),
    );
    append(
      queries,
      memo.recall(`doubts/${part.id}`, [part, grids[p], bars, line, switches], () =>
        noteQueries(part, grids[p]!, bars, line, switches, candidatesOf(part, casting)),
      ),
    );
    if (part.instrument.unpitched)
      append(queries, [
        ...drumQueries(part, grids[p]!, drums[p]!, bars),
        ...layeredDrumQueries(part, grids[p]!, drums[p]!, bars),
      ]);
    append(queries, frettingQueries(part, fretting, tablature, bars));
  }

  yield { stage: 'assembling', done: 0.95 };
  const { parts, reports: markReports } = markParts(
    casting.parts,
    assembled,
    staves,
    performance,
    leads,
    bars,
    settings,
    memo,
  );
  const reports = casting.parts.map((part, p): PartReport => ({
    ...durations[p]!,
    ...ornaments[p]!.report,
    part: part.id,
    leads: Object.fromEntries(part.tracks.map((track) => [track, leads.get(track)!])),
    ...gridFacts(grids[p]!),
    marks: markReports[p]!,
    impossibleChords: frettings[p]!.impossible.length,
  }));
  const said = tempoWords(performance);
  const score: Score = {
    title: settings.title ?? performance.title,
    composer: settings.composer ?? '',
    rights: performance.copyright,
    bars,
    signs: {},
    keys,
    tempos: tempoMarks(performance.tempo, end, said),
    markers: markersOf(performance, settings.markerStyle),
    swing: swingMarks(swing, bars.length),
    parts,
  };
  const repeats = memo.recall(
    'repeats',
    [...assembled, bars, JSON.stringify([keys, score.tempos, score.markers])],
    () =>
      findRepeats(
        { ...score, parts: assembled },
        assembled.map((part) => memo.recall(`codes/${part.id}`, [part], () => codesOf(part))),
      ),
  );
  const lengths = bars.map((bar) => bar.length);
  const printed = foldScore(
    { ...score, parts: parts.map((part) => (settings.barRepeats[part.id] ? withBarRepeats(part, lengths) : part)) },
    settings.folds,
  );
  append(
    queries,
    rhythmQueries(
      casting.parts.map((part, p) => ({ part, grid: grids[p]!, report: reports[p]! })),
      bars,
      line,
      swing,
      memo,
    ),
  );
  queries.push(
    ...leadQueries(casting, leads),
    ...memo.recall('tracks', [casting], () => trackQueries(performance, casting)),
    ...keyQueries(keys, barKeys, performance, settings.key !== undefined),
    ...fileQueries(performance),
  );
  queries.push(
    ...keyChangeQueries(keys, barKeys, bars, settings.key !== undefined || !isDefaultKey(performance.keys)),
    ...repeatQueries(repeats, settings.folds, bars),
  );
  append(queries, doublingQueries(doubled.doublings, casting.parts, bars));
  append(
    queries,
    casting.parts.flatMap((part, p) =>
      settings.barRepeats[part.id]
        ? []
        : memo.recall(`bar repeats/${part.id}`, [part, assembled[p], bars], () =>
            barRepeatQueries(part, assembled[p]!, bars),
          ),
    ),
  );
  append(queries, casting.parts.flatMap(manySoundsQueries));
  const audit = auditParts({ casting, assembled, grids, leads, bars, line, swing, performance, settings, memo });
  append(
    queries,
    casting.parts.flatMap((part, p) => auditQueries(audit.parts[p]!, part, grids[p]!, bars)),
  );
  return {
    score,
    printed,
    repeats,
    casting,
    queries,
    reports,
    line,
    swing,
    barKeys,
    audit,
    staves,
    drums,
    doublings: doubled.doublings,
  };
}

/** What the leading track of a part was taken for, the likeliest first. */
function candidatesOf(part: CastPart, casting: Casting): InstrumentId[] {
  const track = casting.tracks.find(({ id }) => id === part.tracks[0]);
  return track?.recognition.candidates.map(({ instrument }) => instrument) ?? [];
}

interface AuditedWork {
  casting: Casting;
  assembled: readonly Part[];
  grids: readonly GridChoice[];
  leads: ReadonlyMap<TrackId, Lead>;
  bars: readonly Bar[];
  line: BeatLine;
  swing: Swing;
  performance: Performance;
  settings: ConversionSettings;
  memo: Memo;
}

function auditParts({
  casting,
  assembled,
  grids,
  leads,
  bars,
  line,
  swing,
  performance,
  settings,
  memo,
}: AuditedWork): Audit {
  const { tempo, ticksPerQuarter } = performance;
  const context = { bars, line, swing, tempo, ticksPerQuarter };
  const parts = casting.parts.map((part, p) => {
    const applied = new Map(part.tracks.map((track) => [track, appliedLead(leads.get(track))]));
    const [edits, pins] = [settings.edits[part.id] ?? [], settings.grids[part.id] ?? []];
    const follows = settings.doubles[part.id] !== undefined;
    return memo.recall(
      `audit/${part.id}`,
      [assembled[p], grids[p], swing, JSON.stringify([[...applied], edits, pins, follows])],
      () => auditPart({ part, written: assembled[p]!, grid: grids[p]!, leads: applied, edits, pins, follows }, context),
    );
  });
  return { parts, words: auditInWords(parts, new Map(casting.parts.map((part) => [part.id, part.name]))) };
}

const NO_FRETTING: Fretting = { fingerings: new Map(), impossible: [] };

/** Runs a generator to its end without looking at the progress. */
export function toScore(performance: Performance, settings: ConversionSettings): Conversion {
  const steps = convert(performance, settings);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** One bar more than was played in: the last onset may belong to a beat that follows it. */
function barsWithRoom(performance: Performance): Bar[] {
  const played = barsOfPerformance(performance);
  const last = played.at(-1)!;
  return layBars(performance.meters, last.start + last.length + 1);
}

/** Up to the last written sound; silence at the end that was played through stays. */
function barsInUse(bars: readonly Bar[], staves: readonly StaffNotes[][], played: number): Bar[] {
  const end = staves
    .flat()
    .reduce((latest, staff) => staff.notes.reduce((later, note) => Math.max(later, note.end), latest), 0);
  return bars.filter((bar) => bar.index < played || bar.start < end);
}

function doublingPart(
  { id, instrument }: CastPart,
  staves: StaffNotes[],
  grid: GridChoice,
  settings: ConversionSettings,
  bars: readonly Bar[],
): DoublingPart {
  const lengths = lengthSpans(settings.lengths[id] ?? [], bars);
  const model = settings.doubles[id];
  const free = !instrument.unpitched && settings.edits[id] === undefined && model !== id;
  return {
    id,
    staves,
    jitter: grid.exact ? 0 : grid.jitter,
    follows: (at) => free && !keepsLength(lengths, at),
    ...(model !== undefined && model !== id && { model }),
  };
}

function staffSettings(
  part: PartId,
  { voices, handSplits, closeGaps, lengths }: ConversionSettings,
  bars: readonly Bar[],
): StaffSettings {
  const gaps = closeGaps[part];
  return {
    voices: voices[part],
    handSplit: handSplits[part],
    closeGaps: gaps && VALUE_LENGTH[gaps],
    lengths: lengthSpans(lengths[part] ?? [], bars),
  };
}

function lengthSpans(choices: readonly LengthChoice[], bars: readonly Bar[]): LengthSpan[] {
  const startOf = (bar: number) => bars[bar]?.start ?? Number.MAX_SAFE_INTEGER;
  return choices.map(({ as, bars: span }) => ({
    as,
    from: span ? startOf(span.from) : 0,
    to: span ? startOf(span.to) : Number.MAX_SAFE_INTEGER,
  }));
}

/** Channels 1–16 without 10, in turn. */
function playbackChannel(part: number): number {
  const pitched = (part % 15) + 1;
  return pitched < 10 ? pitched : pitched + 1;
}

function gridFacts(grid: GridChoice) {
  return {
    jitter: grid.jitter,
    exact: grid.exact,
    smallest: grid.smallest,
    tupletBeats: grid.tupletBeats,
    divisions: grid.divisions,
  };
}
