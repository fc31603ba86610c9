import { describe, expect, it } from 'vitest';
import { bandPiece } from '../../../bench/bands';
import { demoOriginal } from '../../../demo/make';
import { partId, toEnd, trackId } from '../base';
import { GENERAL_MIDI_DRUMS } from '../instruments';
import { performanceFromSmf } from '../performance';
import { NO_SETTINGS, type ConversionSettings } from '../settings';
import { readSmf } from '../smf';
import { performanceOf, programAt, tempo, type HandNote } from '../../testing/music';
import { sequencersScore } from '../../testing/unkind-sources';
import { readMusicXml } from '../musicxml';
import { playedScore } from '../to-sequencer';
import { convert, Memo, toScore, type Conversion } from './index';

const run = (keys: number[], from: number, step: number): HandNote[] =>
  keys.map((key, i) => ({ key, at: from + i * step + (i === 0 ? 0 : 0.013 * Math.sin(i * 2.7)), length: step * 0.9 }));
/** A bar around each key. */
const bars = (...keys: number[]): HandNote[] =>
  keys.flatMap((key, i) => [0, 2, 4, 2].map((up, n) => ({ key: key + up, at: i * 4 + n, length: 1 })));

/** Music in which every setting can be seen. */
const MUSIC = {
  demo: performanceFromSmf(readSmf(demoOriginal())),
  /** Parts that double each other, with short notes. */
  riffs: bandPiece('doubled riffs', 11),
  /** A trill, parts beyond their staff, two lines on one staff. */
  signs: performanceOf(
    [
      {
        name: 'Flute',
        notes: run(
          Array.from({ length: 14 }, (_, i) => (i % 2 ? 74 : 72)),
          0,
          2 / 14,
        ),
      },
      { name: 'Violin', notes: bars(74, 96, 96, 98, 76), program: 41, extra: [programAt(4, 74)] },
      { name: 'Cello', notes: bars(48, 48, 69, 69, 69, 69) },
      { name: 'Organ', notes: [...bars(72, 74), { key: 64, at: 0, length: 4 }, { key: 65, at: 4, length: 4 }] },
    ],
    [tempo(0, 120)],
  ),
};
/** A score that was received, without keys or transpositions. */
const RECEIVED = playedScore(readMusicXml(sequencersScore()).score);
type Music = keyof typeof MUSIC | 'received';

function withMemo(memo: Memo, settings: ConversionSettings, music: Music = 'demo'): Conversion {
  return music === 'received'
    ? toEnd(convert(RECEIVED.performance, settings, memo, RECEIVED.score))
    : toEnd(convert(MUSIC[music], settings, memo));
}

/** What of a conversion a setting can be seen in. */
function seen({ score, printed, queries, reports }: Conversion) {
  return { score, printed, queries, reports };
}

const flute = partId('t1');
const violin = trackId('t8');
const piano = partId('t7');
const guitar = partId('t12');
const drums = partId('t6');
/** Said before anything is converted: which originals and tracks there are (joining.test.ts, split-sounds.test.ts). */
const PUT_TOGETHER_BEFORE = null;

/** Read when the score is there already (extracts.test.ts). */
const MADE_AFTERWARDS = null;

/** A change of each setting there is: a new one without a line here does not compile. */
const CHANGES: Record<keyof ConversionSettings, (Partial<ConversionSettings> & { in?: Music }) | null> = {
  leftOut: { leftOut: { [trackId('t7')]: true } },
  instruments: { instruments: { [trackId('t1')]: 'oboe' } },
  techniques: { techniques: { [violin]: 'pizzicato' } },
  partNames: { partNames: { [flute]: 'Flöte' } },
  abbreviations: { abbreviations: { [flute]: 'Flö.' } },
  solos: { solos: { [partId(violin)]: true } },
  staves: { staves: { [piano]: 1 } },
  gathered: { gathered: { [trackId('t2')]: trackId('t1') } },
  deals: { deals: { [violin]: { to: 'players', players: 2, spare: 'rest', lines: 'smooth', order: 'straight' } } },
  keyswitches: { keyswitches: { [violin]: { 76: 'none' } } },
  soundChanges: { in: 'signs', soundChanges: { [trackId('t2')]: 'taken-up' } },
  takenUp: { takenUp: { [flute]: [{ bars: { from: 2, to: 4 }, instrument: 'piccolo' }] } },
  moves: { moves: [{ part: flute, before: null }] },
  house: { house: { [trackId('t1')]: { partName: 'Fl. of the house' } } },
  language: { language: 'de' },
  title: { title: 'Another title' },
  composer: { composer: 'Nobody' },
  grids: { grids: { [piano]: [{ smallest: 'eighth', triplets: false, also: [] }] } },
  edits: { edits: { [partId('t9')]: [{ kind: 'move', note: 910, by: 2520 }] } },
  closeGaps: { closeGaps: { [partId('t11')]: 'quarter' } },
  lengths: { in: 'riffs', lengths: { [partId('t2')]: [{ as: 'played' }] } },
  doubles: { in: 'riffs', doubles: { [flute]: flute } },
  handSplits: { handSplits: { [piano]: 50 } },
  fixedClefs: { in: 'signs', fixedClefs: { [partId('t3')]: true } },
  voices: { in: 'signs', voices: { [partId('t4')]: 1 } },
  leads: { leads: { [violin]: 0 } },
  plain: { in: 'signs', plain: { [flute]: true } },
  swing: { swing: { ratio: 2, unit: 'eighth' } },
  encoding: PUT_TOGETHER_BEFORE,
  splits: PUT_TOGETHER_BEFORE,
  soundSplits: PUT_TOGETHER_BEFORE,
  programSplits: PUT_TOGETHER_BEFORE,
  offsets: PUT_TOGETHER_BEFORE,
  key: { key: { fifths: 2, mode: 'major' } },
  keyChanges: { keyChanges: [{ bar: 4, fifths: -3, mode: 'minor' }] },
  spellings: { spellings: [{ kind: 'bars', part: null, bars: { from: 0, to: 28 }, prefer: 'sharps' }] },
  clefs: { clefs: { [flute]: { 1: 'alto' } } },
  plainOctaves: { in: 'signs', plainOctaves: { [partId('t2')]: true } },
  drumMaps: { drumMaps: { [drums]: { name: 'Few', sounds: [...GENERAL_MIDI_DRUMS.values()].slice(0, 3) } } },
  drumKeys: { drumKeys: { [drums]: { 38: 36 } } },
  tablatures: { tablatures: { [guitar]: { show: 'both', tuning: [64, 59, 55, 50, 45, 40], capo: 2 } } },
  marks: { marks: { [flute]: [{ mark: 'slurs', use: 'on', strength: 'many' }] } },
  markEdits: { markEdits: { [flute]: [{ kind: 'articulation', note: 10, articulation: 'accent', on: true }] } },
  folds: { folds: [{ from: 0, length: 4, times: 2, endings: 0 }] },
  barRepeats: { barRepeats: { [drums]: true } },
  markerStyle: { markerStyle: 'rehearsal' },
  keepBreaks: { in: 'received', keepBreaks: true },
  chordSymbols: { chordSymbols: { use: 'on', from: null, over: flute } },
  extracts: MADE_AFTERWARDS,
  anew: { in: 'received', anew: [{ aspect: 'spelling', part: null }] },
  timeFrom: PUT_TOGETHER_BEFORE,
  freeTime: PUT_TOGETHER_BEFORE,
  timeLine: PUT_TOGETHER_BEFORE,
  tempoWords: { tempoWords: [{ at: 0, words: 'rit.' }] },
  tempoPrint: { tempoPrint: 'none' },
  tempoTolerance: { tempoTolerance: 500 },
};

describe('a conversion that remembers', () => {
  // A memo holds what the tests before left in it, as it does in a job.
  const memos = { demo: new Memo(), riffs: new Memo(), signs: new Memo(), received: new Memo() };
  const plain = {
    demo: toScore(MUSIC.demo, NO_SETTINGS),
    riffs: toScore(MUSIC.riffs, NO_SETTINGS),
    signs: toScore(MUSIC.signs, NO_SETTINGS),
    received: withMemo(new Memo(), NO_SETTINGS, 'received'),
  };
  const changes = Object.entries(CHANGES).filter(([, change]) => change !== PUT_TOGETHER_BEFORE);
  it.each(changes)('gives what one without memory gives: %s', (_name, change) => {
    const { in: music = 'demo', ...changed } = change!;
    const settings = { ...NO_SETTINGS, ...changed };
    const [remembered, fresh] = [withMemo(memos[music], settings, music), withMemo(new Memo(), settings, music)];
    expect(seen(remembered)).toEqual(seen(fresh));
    // A setting that changes nothing would show nothing.
    expect(seen(fresh)).not.toEqual(seen(plain[music]));
  });
  it('gives the first score again', () => {
    expect(seen(withMemo(memos.demo, NO_SETTINGS))).toEqual(seen(plain.demo));
  });
  it('computes only the part that changed, when no other doubles it', () => {
    const memo = new Memo();
    const before = withMemo(memo, NO_SETTINGS);
    const after = withMemo(memo, { ...NO_SETTINGS, closeGaps: { [guitar]: 'quarter' } });
    const same = after.score.parts.filter((part, p) => part === before.score.parts[p]);
    expect(same.map(({ id }) => id)).toEqual(before.score.parts.map(({ id }) => id).filter((id) => id !== guitar));
  });
});
