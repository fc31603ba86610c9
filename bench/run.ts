/*
 * Speed: `npm run bench`. Each measurement stands beside its peer or its limit; medians of several runs. Writes
 * docs/benchmarks.md.
 */
import { writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import tone from '@tonejs/midi';
import { parseMidi } from 'midi-file';
import { VerovioToolkit } from 'verovio/esm';
import createVerovioModule from 'verovio/wasm';
import { readMusicXml, writeMusicXml } from '../src/core/musicxml';
import { barsOfPerformance, performanceFromSmf, surveyPerformance } from '../src/core/performance';
import { readSmf, writeSmf } from '../src/core/smf';
import { convert, toScore, type Conversion } from '../src/core/to-score';
import { toSequencer } from '../src/core/to-sequencer';
import { timeInBrowser } from './browser';
import { timeBatch } from './dispatch';
import { eventsFile, orchestraFile } from './large';
import { NO_SETTINGS, USUAL_SEQUENCING } from '../src/core/settings';

function median(values: number[]): number {
  return values.sort((a, b) => a - b)[values.length >> 1]!;
}

/** Milliseconds, median of `runs` after one run to warm up. */
function time(work: () => unknown, runs = 5): number {
  work();
  return median(
    Array.from({ length: runs }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
}

const seconds = (value: number) => `${value.toFixed(1)} s`;
const ms = (value: number) => `${value < 10 ? value.toFixed(1) : Math.round(value)} ms`;

const EVENTS = 1_000_000;
const large = eventsFile(EVENTS);
const ours = time(() => readSmf(large));
const midiFile = time(() => parseMidi(large));
const toneMidi = time(() => new tone.Midi(large), 3);
globalThis.gc?.();
const before = process.memoryUsage().heapUsed;
const reading = readSmf(large);
const memory = (process.memoryUsage().heapUsed - before) / 1e6;
const played = performanceFromSmf(reading);
const interpret = time(() => performanceFromSmf(reading), 3);
const bars = barsOfPerformance(played);
const survey = time(() => surveyPerformance(played, bars), 3);

const orchestra = orchestraFile(100, 196);
const music = performanceFromSmf(readSmf(orchestra));
const stages = new Map<string, number>();
let conversion: Conversion | null = null;
const whole = time(() => {
  stages.clear();
  const steps = convert(music, NO_SETTINGS);
  let stage = '';
  let since = performance.now();
  for (;;) {
    const step = steps.next();
    const now = performance.now();
    if (stage) stages.set(stage, (stages.get(stage) ?? 0) + now - since);
    since = now;
    if (step.done) {
      conversion = step.value;
      return;
    }
    stage = step.value.stage;
  }
}, 3);
const writing = time(() => writeMusicXml(conversion!.score), 3);

const big = toScore(performanceFromSmf(readSmf(orchestraFile(60, 300))), NO_SETTINGS).score;
const bigText = writeMusicXml(big);
const bigBytes = new TextEncoder().encode(bigText);
const readScore = time(() => readMusicXml(bigBytes), 3);
const bigScore = readMusicXml(bigBytes).score;
const playScore = time(() => toSequencer(bigScore, USUAL_SEQUENCING), 3);
const [sequenced] = toSequencer(bigScore, USUAL_SEQUENCING);
const writeMidi = time(() => writeSmf(sequenced!.file), 3);
const verovio = new VerovioToolkit(await createVerovioModule());
// One run: it reads, and lays out what it has read as well.
const verovioStart = performance.now();
verovio.loadData(bigText);
const verovioReads = performance.now() - verovioStart;

const browser = await timeInBrowser(large, orchestra);
const batch = timeBatch();

/** A limit, and whether every figure it speaks of keeps it; nothing is said of what was not measured. */
const limit = (words: string, ...kept: (boolean | null | undefined)[]): string => {
  if (kept.some((one) => one === null || one === undefined)) return words;
  return kept.every(Boolean) ? `${words}: met` : `${words}: **missed**`;
};

const rows = [
  [
    'read a file of 1,000,000 events',
    ms(ours),
    `${(midiFile / ours).toFixed(1)} × as fast as midi-file (${ms(midiFile)}), ${(toneMidi / ours).toFixed(1)} × as @tonejs/midi (${ms(toneMidi)})`,
    limit('under 1 s and 3 × midi-file', ours < 1000, midiFile / ours >= 3),
  ],
  ['… memory for its events', `${Math.round(memory)} MB`, '', ''],
  ['… pair its notes, gather its time lines', ms(interpret), '', ''],
  ['… survey it', ms(survey), '', ''],
  [
    '… read and survey it in the browser’s worker',
    browser ? ms(browser.open) : 'not measured',
    browser ? `page blocked ${ms(browser.blocked)} at most` : '',
    '',
  ],
  [
    `100 tracks, ${conversion!.score.bars.length} bars to a score, in the browser’s worker`,
    browser ? ms(browser.convert) : 'not measured',
    browser ? `page blocked ${ms(browser.convertBlocked)} at most` : '',
    limit('under 5 s, page under 50 ms', browser && browser.convert < 5000, browser && browser.convertBlocked < 50),
  ],
  ['… the same through the script runner, stage by stage', ms(whole), '', ''],
  ...[...stages].map(([stage, value]) => [`… ${stage}`, ms(value), '', '']),
  ['… write it as MusicXML', ms(writing), '', ''],
  [
    `a score of ${big.parts.length} parts and ${big.bars.length} bars (${(bigBytes.length / 1e6).toFixed(0)} MB of MusicXML) to MIDI`,
    ms(readScore + playScore + writeMidi),
    '',
    limit('under 3 s', readScore + playScore + writeMidi < 3000),
  ],
  ['… read', ms(readScore), `${(verovioReads / readScore).toFixed(1)} × as fast as verovio (${ms(verovioReads)})`, ''],
  ['… played', ms(playScore), `${sequenced!.report.notes} notes`, ''],
  ['… written', ms(writeMidi), '', ''],
  ['one setting of one part of the demo changed: computed', browser ? ms(browser.change) : 'not measured', '', ''],
  [
    '… and drawn in the interlinear view, four parts and bars',
    browser ? ms(browser.redraw) : 'not measured',
    browser ? `${ms(browser.change + browser.redraw)} together` : '',
    limit('under 150 ms', browser && browser.change + browser.redraw < 150),
  ],
  [
    `${batch.files} files of ${Math.round(batch.notes / batch.files).toLocaleString('en')} notes each to MusicXML, read back as a receiver would: \`batch\` on all cores`,
    seconds(batch.seconds),
    `${Math.round(batch.notes / batch.seconds).toLocaleString('en')} notes a second`,
    limit('under 60 s on two cores', batch.seconds < 60),
  ],
  ['… again, nothing changed', seconds(batch.again), '', ''],
  [
    `a parcel of 60 parts, 112 bars: score and parts, MIDI, map, lists, original (${browser?.dispatch.files ?? 0} files), in the browser`,
    browser ? seconds(browser.dispatch.parcel) : 'not measured',
    browser ? `page blocked ${ms(browser.dispatch.parcelBlocked)} at most` : '',
    limit(
      'under 30 s, page under 50 ms',
      browser && browser.dispatch.parcel < 30,
      browser && browser.dispatch.parcelBlocked < 50,
    ),
  ],
  ['the front door with 10,000 jobs', browser ? ms(browser.dispatch.list) : 'not measured', '', ''],
  ['… one of them found', browser ? ms(browser.dispatch.search) : 'not measured', '', ''],
];
const text = `# Benchmarks

Written by \`npm run bench\` on Node ${process.versions.node}, ${cpus()[0]?.model ?? 'unknown processor'}, ${cpus().length} cores. Medians; times are rough.

| work | time | beside | limit |
|---|---|---|---|
${rows.map((row) => `| ${row.join(' | ')} |`).join('\n')}

midi-file 1.2 and @tonejs/midi 2.0 read the same bytes in the same run. @tonejs/midi also builds its own note objects, which ours
leaves to the next step. verovio 6.3 reads the same MusicXML once; it also lays it out, which is its purpose and not ours.
`;
writeFileSync(join(import.meta.dirname, '../docs/benchmarks.md'), text);
console.log(text);
