/* Another file's bars against the job's, so that "bar 65" is one place on the stands and in the control room. */
import { say } from '../words';
import { groupBy } from '../base';
import { alignVersions } from '../beats';
import { performanceFromSmf, type Performance } from '../performance';
import { readMusicXml } from '../musicxml';
import { USUAL_SEQUENCING } from '../settings';
import { assertOneTimeLine, readSmf } from '../smf';
import {
  numberingOf,
  pairByChanges,
  pairByNotes,
  type BarsAndNotes,
  type NotePairs,
  type Numbering,
  type PairedBars,
} from '../studio';
import { QUARTER, writtenUnits } from '../time';
import { toSequencer } from '../to-sequencer';
import { isScoreFile } from './file-kind';
import { barsOfFile, countedFrom, timeLineOfScore, timeLineOfSequence } from './studio';

/** With fewer of the smaller side's notes in common the two are not one music. */
const ONE_MUSIC = 0.5;
/** Places are aligned as if a quarter lasted so long: what alignment holds to be together is then a twelfth of a quarter. */
const SECONDS_A_QUARTER = 0.5;

/** @throws SmfError or MusicXmlError when the other file cannot be read */
export function numberingAgainst(ours: BarsAndNotes, file: Uint8Array): Numbering {
  const theirs = barsAndNotesOf(file);
  const byNotes = pairedByNotes(ours, theirs);
  if (byNotes) return numberingOf(ours.line, theirs.line, byNotes.paired, byNotes.evidence);
  const paired = pairByChanges(ours.line, theirs.line);
  return numberingOf(ours.line, theirs.line, paired, evidenceOf(paired, theirs.notes.length));
}

function pairedByNotes(ours: BarsAndNotes, theirs: BarsAndNotes): { paired: PairedBars; evidence: string } | null {
  if (ours.notes.length === 0 || theirs.notes.length === 0) return null;
  const pairs =
    Math.max(ours.notes.length, theirs.notes.length) > MOST_ALIGNED ? shifted(ours, theirs) : aligned(ours, theirs);
  const smaller = Math.min(ours.notes.length, theirs.notes.length);
  if (pairs.length < ONE_MUSIC * smaller) return null;
  const share = say('engine.pairsOfSmallerNotes', { pairs: pairs.length, smaller });
  const surely = pairs.length >= 0.9 * smaller ? say('engine.sure') : say('engine.likely');
  return {
    paired: pairByNotes(ours.line, theirs.line, pairs),
    evidence: say('engine.surelyToldByShareThatBothHave', { surely, share }),
  };
}

function aligned(ours: BarsAndNotes, theirs: BarsAndNotes): NotePairs {
  const alignment = alignVersions(
    ours.notes,
    theirs.notes.map(({ at, key }) => ({ at: (at / QUARTER) * SECONDS_A_QUARTER, key })),
  );
  if (!alignment) return [];
  return ours.notes.flatMap(({ at }, i) => {
    const partner = theirs.notes[alignment.partner[i]!];
    return partner ? [{ ours: at, theirs: partner.at }] : [];
  });
}

/** So many notes are aligned one by one, which takes memory by their square; beyond, one distance for all is looked for. */
const MOST_ALIGNED = 8000;
const ASKED = 500;
const RASTER = QUARTER / 4;

function shifted(ours: BarsAndNotes, theirs: BarsAndNotes): NotePairs {
  const placesOf = groupBy(theirs.notes, ({ key }) => key);
  const step = Math.ceil(ours.notes.length / ASKED);
  const votes = new Map<number, number>();
  for (let i = 0; i < ours.notes.length; i += step) {
    const { at, key } = ours.notes[i]!;
    const shifts = new Set((placesOf.get(key) ?? []).map((other) => Math.round((other.at - at) / RASTER)));
    for (const shift of shifts) votes.set(shift, (votes.get(shift) ?? 0) + 1);
  }
  const [best] = [...votes].sort((a, b) => b[1] - a[1] || Math.abs(a[0]) - Math.abs(b[0]));
  if (!best) return [];
  const by = best[0] * RASTER;
  const there = new Set(theirs.notes.map(({ at, key }) => `${Math.round(at / RASTER)}/${key}`));
  return ours.notes.flatMap(({ at, key }) =>
    there.has(`${Math.round((at + by) / RASTER)}/${key}`) ? [{ ours: at, theirs: at + by }] : [],
  );
}

function evidenceOf({ basis, told, ambiguous }: PairedBars, notes: number): string {
  const why = notes === 0 ? say('engine.itHasNoNotes') : say('engine.itsNotesAreOthers');
  if (basis === 'changes')
    return say('engine.likelyWhyToldByTempoMetersAnd', { toldOver095: told > 0.95, why, told: Math.round(100 * told) });
  return ambiguous
    ? say('engine.unsureWhyAndAllBarsAreAlikeToldBy', { why })
    : say('engine.unsureWhyToldByLengthAloneCheckOne', { why });
}

/** What is struck in a performance, where. */
export const notesOf = ({ tracks, ticksPerQuarter }: Performance): BarsAndNotes['notes'] =>
  tracks
    .flatMap(({ notes }) => notes.map(({ start, key }) => ({ at: writtenUnits(start, ticksPerQuarter), key })))
    .sort((a, b) => a.at - b.at || a.key - b.key);

/** Of a file of any kind; bars of a MIDI file are counted from 1, as a sequencer does. */
function barsAndNotesOf(bytes: Uint8Array): BarsAndNotes {
  if (isScoreFile(bytes)) {
    const { score } = readMusicXml(bytes);
    const whole = toSequencer(score, { ...USUAL_SEQUENCING, files: 'one' })[0]!;
    return {
      line: timeLineOfSequence(score, whole),
      notes: notesOf(performanceFromSmf({ file: whole.file, warnings: [] })),
    };
  }
  const reading = readSmf(bytes);
  assertOneTimeLine(reading.file);
  const performance = performanceFromSmf(reading);
  return {
    line: countedFrom(timeLineOfScore(performance, barsOfFile(reading, performance)), 0),
    notes: notesOf(performance),
  };
}
