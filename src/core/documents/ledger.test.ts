import { trackId, partId } from '../base';
import { describe, expect, it } from 'vitest';
import { demoPerformance, everyDecision, everySequencing } from '../../testing/every-decision';
import { performanceFromSmf } from '../performance';
import { writeMusicXml } from '../musicxml';
import { keyName } from '../score';
import { Meta, readSmf } from '../smf';
import { line, meta, smfBytes } from '../../testing/music';
import { convert, Memo, toScore } from '../to-score';
import { preparePerformance } from '../engine/prepare';
import { describe as inWords, type Decision } from '../decisions';
import {
  dismissedQueries,
  EMPTY_LEDGER,
  enter,
  inForce,
  JobError,
  moveTo,
  parseJob,
  redo,
  settingsOf,
  undo,
} from './index';
import { EXTRACTS, extractOf } from '../extracts';
import { remediesFor } from '../queries';

// What one decision changes is computed, the rest is remembered: memo.test.ts shows that the outcome is the same.
const memo = new Memo();
function scoreText(ledger = EMPTY_LEDGER): string {
  const steps = convert(demoPerformance, settingsOf(ledger), memo);
  for (;;) {
    const step = steps.next();
    if (step.done) return writeMusicXml(step.value.printed);
  }
}

describe('ledger', () => {
  const full = everyDecision.reduce(enter, EMPTY_LEDGER);

  it('changes the score with each decision, and replays to the same score', () => {
    const states = everyDecision.map((_, i) => scoreText(moveTo(full, i)));
    states.push(scoreText(full));
    for (let i = 1; i < states.length; i++) expect(states[i], everyDecision[i - 1]!.kind).not.toBe(states[i - 1]);
    expect(scoreText(JSON.parse(JSON.stringify(full)))).toBe(states.at(-1));
  });

  it('undoes and redoes; a decision after an undo takes the place of what was undone', () => {
    const back = undo(undo(full));
    expect(inForce(back)).toEqual(everyDecision.slice(0, -2));
    expect(redo(redo(redo(back)))).toEqual(full);
    expect(enter(back, everyDecision[0]!).decisions).toHaveLength(everyDecision.length - 1);
    expect(undo(EMPTY_LEDGER).position).toBe(0);
    expect(scoreText(moveTo(full, 0))).toBe(scoreText());
  });

  it('says every decision in plain words', () => {
    const named: Record<string, string> = { t1: 'Flute', t2: 'Clarinet', t3: 'Bassoon', t8: 'Violin 1' };
    const words = everyDecision.map((decision) => inWords(decision, (id) => named[id] ?? id));
    expect(words).toEqual([
      'Clarinet: left out',
      'Flute: written for Oboe',
      'Flute: grid pinned to eighth notes, without triplets',
      'Violin 1: no lead removed',
      'Bassoon: named “Fagott”',
      'Key signature: E major',
      'Title: “Goose”',
      'Clarinet: included',
      'Flute, Clarinet: combined into one part',
      'Clarinet: a separate part',
      't4: divided among 2 players, in pairs',
      't9: sul tasto',
      't11: keyswitches E♭2 = tremolo taken out',
      't10: plays Double Bass in 2 bars',
      't4p2: shortened to “Hrn.”',
      'Violin 1: solo',
      't4p2: moved to the bottom of the score',
      'Instrument names in Italian',
      'Swing of 2.5 to 1 written evenly',
      't11: gaps up to a quarter closed',
      't7: staves split at C5',
      't7: at most 1 voice per staff',
      't10: a note moved',
      't10: 2 notes merged',
      't10: a note split',
      'From your house list: t5',
      'Key signature from bar 5 of the piece: A♭ major',
      'All parts: flats preferred in 8 bars',
      't10: a note respelled with sharps',
      't10: tenor clef',
      't10: a note an octave higher',
      't6: drum map “Pit”',
      't6: key 38 means key 36',
      't12: notation and tablature',
      't9: dynamics included',
      't10: accent on a note',
      't10: a slur written',
      't10: mf written',
      't10: a crescendo written',
      't10: “dolce” written',
      't10: articulation of a bar copied to all of its rhythm in 28 bars',
      '2 bars written once with repeat signs',
      't6: repeated bars as repeat signs',
      'Chord symbols included, from all parts, over t10',
      'Composer: “The pit band”',
      'Markers as rehearsal marks',
    ]);
  });

  it('reads names again in the encoding that was decided', () => {
    const reading = readSmf(
      smfBytes([
        { name: '', notes: line([60, 4]), extra: [meta(0, Meta.trackName, [0x53, 0x70, 0xe5, 0x72, 0x20, 0x31])] },
      ]),
    );
    const original = { reading, performance: performanceFromSmf(reading) };
    const names = (decision: Decision) =>
      preparePerformance([original], settingsOf(enter(EMPTY_LEDGER, decision)))
        .performance.tracks.map(({ name }) => name)
        .filter(Boolean);
    expect(names({ kind: 'setTextEncoding', encoding: null })).toEqual(['Spår 1']);
    expect(names({ kind: 'setTextEncoding', encoding: 'windows-1251' })).toEqual(['Spеr 1']);
    expect(inWords({ kind: 'setTextEncoding', encoding: 'shift_jis' }, (track) => track)).toBe(
      'Texts of the file read as Japanese (Shift-JIS)',
    );
    const ledger = { decisions: [{ kind: 'setTextEncoding', encoding: 'klingon' }], position: 1 };
    expect(() =>
      parseJob(
        JSON.stringify({
          format: 'dragoman-job',
          version: 1,
          name: 'x',
          originals: [{ fileName: 'x.mid', sha256: '0'.repeat(64), size: 1 }],
          ledger,
        }),
        'x',
      ),
    ).toThrow(/encoding/);
  });

  it('names keys by the circle of fifths', () => {
    expect([-7, -4, 0, 3, 7].map((fifths) => keyName({ fifths, mode: 'major' }))).toEqual([
      'C♭ major',
      'A♭ major',
      'C major',
      'A major',
      'C♯ major',
    ]);
    expect([-7, 0, 4].map((fifths) => keyName({ fifths, mode: 'minor' }))).toEqual(['A♭ minor', 'A minor', 'C♯ minor']);
  });

  it('answers queries: every remedy of a doubt makes it go away', () => {
    const conversion = toScore(demoPerformance, settingsOf(EMPTY_LEDGER));
    const [empty] = conversion.queries;
    expect(empty!.kind).toBe('empty-track');
    for (const remedy of remediesFor(empty!)) {
      expect(
        toScore(demoPerformance, settingsOf(enter(EMPTY_LEDGER, remedy.decision))).queries.map((query) => query.id),
      ).not.toContain(empty!.id);
    }
    const piccolo = enter(EMPTY_LEDGER, { kind: 'assignInstrument', tracks: [trackId('t4')], instrument: 'piccolo' });
    const wrong = toScore(demoPerformance, settingsOf(piccolo));
    const range = wrong.queries.filter((query) => query.kind === 'out-of-range');
    expect(range).toHaveLength(1);
    const [back] = remediesFor(range[0]!);
    expect(back!.decision).toEqual({ kind: 'assignInstrument', tracks: ['t4'], instrument: 'horn-f' });
    expect(
      toScore(demoPerformance, settingsOf(enter(piccolo, back!.decision))).queries.map((query) => query.kind),
    ).not.toContain('out-of-range');
    expect(dismissedQueries(enter(EMPTY_LEDGER, { kind: 'dismissQuery', query: empty!.id, reason: '' }))).toEqual(
      new Set([empty!.id]),
    );
  });
});

describe('decisions about the way to a sequencer', () => {
  const ledger = everySequencing.reduce(enter, EMPTY_LEDGER);
  it('add up to settings, and are undone one by one', () => {
    const { sequencing: now } = settingsOf(ledger);
    expect(now).toMatchObject({
      preset: 'expression',
      ticksPerQuarter: 960,
      carry: { pan: 'convert' },
      carryTracks: { 2: { pan: 'carry' } },
      leftOutTracks: [4, 5],
    });
    expect(now.parts[partId('P1')]).toMatchObject({ split: 'technique', program: 57 });
    expect(now.arranging).toMatchObject({ sounds: 'instrument', names: 'received', emptyBars: 1 });
    expect(now.treatments.map(({ does }) => does.kind)).toEqual(['accents']);
    expect(settingsOf(undo(ledger)).sequencing.treatments).toHaveLength(2);
    expect(settingsOf(moveTo(ledger, 4)).sequencing.leftOutTracks).toEqual([]);
    expect(
      settingsOf(enter(ledger, { kind: 'setPartSequencing', part: partId('P1'), chart: null, program: null }))
        .sequencing.parts[partId('P1')],
    ).toEqual({ split: 'technique', drumKeys: { 36: 35 } });
    expect(settingsOf(enter(ledger, { kind: 'setSequencing', preset: 'bare' })).sequencing).toMatchObject({
      carry: {},
      carryTracks: {},
      ticksPerQuarter: 960,
    });
    expect(
      settingsOf(enter(ledger, { kind: 'leaveTracks', tracks: [4], out: false })).sequencing.leftOutTracks,
    ).toEqual([5]);
  });
  it('are said in plain words', () => {
    expect(everySequencing.map((decision) => inWords(decision, () => 'Trumpet'))).toEqual([
      'Preset: expression kept; Dynamics by velocity and controller 11; 960 ticks per quarter; Humanize changed',
      'Trumpet: a track for each technique; program 57; technique chart “Library”; C2 (36) becomes 35',
      'pan (10) converted',
      'Track 3: pan (10) carried',
      '2 tracks left out',
      'Sounds by instrument; A channel for each track; One empty bar before the music',
      'Trumpet: accents +12 on the first beat, +4 on beats, −6 between in 4 bars',
      'All parts: quantized to sixteenth notes',
      'All parts: processing step 2 deleted',
    ]);
  });
  it('pass through a job file, and wrong ones do not', () => {
    const job = (decisions: unknown[]) =>
      JSON.stringify({
        format: 'dragoman-job',
        version: 1,
        name: 'x',
        originals: [],
        ledger: { decisions, position: decisions.length },
      });
    expect(parseJob(job(everySequencing), 'job.json').ledger.decisions).toEqual(
      everySequencing.map((decision) => expect.objectContaining({ kind: decision.kind })),
    );
    for (const wrong of [
      { kind: 'setSequencing', ticksPerQuarter: 50 },
      { kind: 'setSequencing', dynamicsTo: ['smoke'] },
      { kind: 'setPartSequencing', part: '../x' },
      {
        kind: 'setPartSequencing',
        part: 'P1',
        chart: { name: 'x', entries: [{ technique: 'muted', by: { kind: 'key', key: 300 } }] },
      },
      { kind: 'setCarry', data: 'smoke', action: 'drop', track: null },
      { kind: 'setSequencing', levels: { p: 900 } },
    ]) {
      expect(() => parseJob(job([wrong]), 'job.json'), JSON.stringify(wrong)).toThrow(JobError);
    }
  });
});

describe('decisions about extracts', () => {
  const reduced = (parts: string[] | null): Decision => ({ kind: 'chooseReduced', parts: parts && parts.map(partId) });
  it('change what extracts are made of, and nothing of the score', () => {
    const ledger = [{ kind: 'chooseMelody' as const, part: partId('t10') }, reduced(['t8', 't10'])].reduce(
      enter,
      EMPTY_LEDGER,
    );
    const settings = settingsOf(ledger);
    const { printed } = toScore(demoPerformance, settings);
    expect(writeMusicXml(printed)).toBe(scoreText());
    const of = (from: typeof settings) => EXTRACTS.map((one) => writeMusicXml(extractOf(printed, one, from.extracts)));
    const found = of(settingsOf(EMPTY_LEDGER));
    of(settings).forEach((text, i) => expect(text).not.toBe(found[i]));
    expect(of(settingsOf(moveTo(ledger, 0)))).toEqual(found);
  });
  it('are said in plain words', () => {
    const words = [{ kind: 'chooseMelody' as const, part: partId('t10') }, reduced(['t8', 't10']), reduced(null)];
    expect(words.map((decision) => inWords(decision, (id) => id))).toEqual([
      'Lead sheet: tune from t10',
      'Piano reduction: of t8, t10',
      'Piano reduction: of all parts',
    ]);
  });
});
