import { createHash } from 'node:crypto';
import { strFromU8, unzipSync } from 'fflate';
import tone from '@tonejs/midi';
import { describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { partId, toEnd } from '../base';
import {
  EMPTY_LEDGER,
  enter,
  HOUSE_RECIPES,
  readRecipe,
  USUAL_MIDI,
  USUAL_PAGES,
  USUAL_SCORE,
  USUAL_SOUND,
  writeRecipe,
  type Ledger,
  type Recipe,
} from '../documents';
import { ScoreDesk } from '../engine';
import { readMusicXml } from '../musicxml';
import { NO_SETTINGS } from '../settings';
import {
  checkDelivered,
  contentsSheet,
  deliver,
  DispatchDesk,
  packParcel,
  previewOf,
  recipeFault,
  withContents,
  type Delivered,
  type Makers,
} from './index';

const original = demoOriginal();

/** What was converted once is not converted again for the next test. */
const desks = new Map<Ledger, DispatchDesk>();

function deskOf(ledger: Ledger = EMPTY_LEDGER): DispatchDesk {
  const there = desks.get(ledger) ?? laidOut(ledger);
  desks.set(ledger, there);
  return there;
}

function laidOut(ledger: Ledger): DispatchDesk {
  const originals = [{ fileName: 'goose: cue 3.mid', bytes: original }];
  return new DispatchDesk({ name: 'Goose, cue 3', direction: 'to-score', originals, ledger });
}

/** What is asked of engraver and synthesizer, written down instead of made. */
function scribe() {
  const books: Parameters<Makers['pdf']>[0][] = [];
  const takes: Parameters<Makers['wav']>[0][] = [];
  const makers: Makers = {
    pdf: (book) => {
      books.push(book);
      return Promise.resolve(new Uint8Array([1]));
    },
    wav: (take) => {
      takes.push(take);
      return Promise.resolve({ wav: new Uint8Array([2]), gain: 0.5 });
    },
  };
  return { books, takes, makers };
}

const plain: Recipe = { ...HOUSE_RECIPES[0]!, name: 'Mine', score: null };

async function sent(
  recipe: Recipe,
  { desk = deskOf(), makers = scribe().makers, version = 1 } = {},
): Promise<Delivered[]> {
  const files: Delivered[] = [];
  for await (const step of deliver(desk, recipe, { version, date: '2026-03-31' }, makers)) files.push(...step.files);
  return files;
}

const text = ({ bytes }: Delivered) => new TextDecoder().decode(bytes);

describe('what a recipe delivers', () => {
  it('is the score, and each part by itself, named by the pattern', async () => {
    const files = await sent({
      ...plain,
      score: { ...USUAL_SCORE, parts: true },
      pattern: '{number} {cue} {part} v{version}',
    });
    expect(files.map(({ path }) => path).slice(0, 3)).toEqual([
      'Score/Goose cue 3 Score v1.musicxml',
      'Parts/01 Goose cue 3 Flute v1.musicxml',
      'Parts/02 Goose cue 3 Clarinet in Bb v1.musicxml',
    ]);
    expect(files).toHaveLength(13);
    const whole = readMusicXml(files[0]!.bytes).score;
    const alone = readMusicXml(files[2]!.bytes).score;
    expect(alone.parts).toHaveLength(1);
    expect(alone.parts[0]!.bars).toEqual(whole.parts[1]!.bars);
  });

  it.each([
    ['none', /<dynamics|<slur|<articulations|<wedge/, false],
    ['taken', /<slur/, false],
    ['suggested', /<slur[\s\S]*<staccato/, true],
  ] as const)('has the marks that are to go out: %s', async (marks, what, there) => {
    const [score] = await sent({ ...plain, score: USUAL_SCORE, marks });
    expect(what.test(text(score!))).toBe(there);
    // Notes are the same whatever becomes of the marks.
    expect(text(score!).match(/<pitch>/g)!.length).toBeGreaterThan(900);
  });

  it('has marks that were taken, unless none are to go along', async () => {
    const ledger = enter(EMPTY_LEDGER, {
      kind: 'setMarks',
      part: partId('t1'),
      mark: 'slurs',
      use: 'on',
      strength: 'usual',
    });
    const slurs = async (marks: Recipe['marks']) => {
      const [score] = await sent({ ...plain, score: USUAL_SCORE, marks }, { desk: deskOf(ledger) });
      return text(score!).match(/<slur/g)?.length ?? 0;
    };
    expect(await slurs('taken')).toBeGreaterThan(0);
    expect(await slurs('suggested')).toBeGreaterThanOrEqual(await slurs('taken'));
    expect(await slurs('none')).toBe(0);
  });

  it('is MIDI whole, by part and by section, as an independent reader finds it (@tonejs/midi)', async () => {
    const all = { ...USUAL_MIDI, parts: true, sections: true, ticksPerQuarter: 960 };
    const files = await sent({ ...plain, midi: all });
    const [whole, ...rest] = files.map(({ path, bytes }) => ({ path, midi: new tone.Midi(bytes) }));
    expect(whole!.path).toBe('MIDI/Goose cue 3 v1.mid');
    const notesIn = (midi: InstanceType<typeof tone.Midi>) =>
      midi.tracks.reduce((sum, track) => sum + track.notes.length, 0);
    expect(notesIn(whole!.midi)).toBe(1223);
    expect(whole!.midi.header.ppq).toBe(960);
    expect(whole!.midi.tracks.flatMap((track) => Object.keys(track.controlChanges))).not.toContain('7');
    const parts = rest.slice(0, 12);
    const sections = rest.slice(12);
    expect(parts.reduce((sum, { midi }) => sum + notesIn(midi), 0)).toBe(1223);
    expect(sections.length).toBeGreaterThan(1);
    expect(sections.reduce((sum, { midi }) => sum + notesIn(midi), 0)).toBe(1223);
  });

  it('makes a lead sheet and a piano reduction, and says so before', async () => {
    const recipe: Recipe = {
      ...plain,
      score: { ...USUAL_SCORE, whole: false, leadSheet: true, reduction: true },
      pages: { ...USUAL_PAGES, score: false, parts: false, reduction: true },
    };
    const { books, makers } = scribe();
    const files = await sent(recipe, { makers });
    expect(files.map(({ path }) => path)).toEqual([
      'Score/Goose cue 3 Lead sheet v1.musicxml',
      'Score/Goose cue 3 Piano reduction v1.musicxml',
      'Pages/Goose cue 3 Piano reduction v1.pdf',
    ]);
    const [lead, piano] = files.slice(0, 2).map(({ bytes }) => readMusicXml(bytes).score);
    expect(lead!.parts.map(({ harmonies = [] }) => harmonies.length > 10)).toEqual([true]);
    expect(piano!.parts.map(({ clefs }) => clefs.length)).toEqual([2]);
    expect(books.map(({ sheets }) => sheets[0]!.mei.includes('Piano reduction'))).toEqual([true]);
    const { words, files: promised } = toEnd(previewOf(deskOf(), recipe));
    expect(promised).toBe(3);
    expect(words.join(' ')).toContain('a lead sheet and a piano reduction');
  });

  it('asks the engraver for pages and the synthesizer for stems that are turned down alike', async () => {
    const { books, takes, makers } = scribe();
    const pages = { ...USUAL_PAGES, allParts: true, paper: 'Letter', cover: 'First reading' } as const;
    const files = await sent({ ...plain, pages, sound: { ...USUAL_SOUND, stems: true, click: true } }, { makers });
    expect(books).toHaveLength(14);
    expect(books[0]).toMatchObject({
      paper: 'Letter',
      cover: 'First reading',
      sheets: [{ name: '', staffMillimetres: 4.4 }],
    });
    expect(books.at(-1)!.sheets.map(({ name }) => name)).toHaveLength(12);
    expect(takes).toHaveLength(14);
    expect(takes.map(({ gain }) => gain)).toEqual([null, ...Array.from({ length: 13 }, () => 0.5)]);
    expect(files.filter(({ path }) => path.endsWith('.wav')).map(({ path }) => path)).toEqual(
      expect.arrayContaining([
        'Sound/Goose cue 3 Mix v1.wav',
        'Sound/Goose cue 3 Click v1.wav',
        'Sound/Goose cue 3 Flute v1.wav',
      ]),
    );
  });

  it('has lists for a spreadsheet, and originals byte for byte', async () => {
    const [tracks, times, queries, own] = await sent({
      ...plain,
      lists: { tracks: true, times: true, queries: true, rate: '25', start: 0 },
      originals: true,
    });
    expect(text(tracks!).split('\r\n')[0]).toMatch(/track,part,instrument,technique,channels,notes,range,remark/);
    expect(text(tracks!)).toMatch(/VLN 1 leg close,Violin I?,?/);
    expect(text(times!)).toMatch(/time code 25/);
    expect(text(queries!)).toMatch(/1\. .*\n[\s\S]*Answer: _/);
    expect(own).toMatchObject({ path: 'Originals/goose cue 3.mid', bytes: original });
  });

  it('names no two files alike, whatever the pattern says', async () => {
    const files = await sent({ ...plain, pattern: 'CON', score: { ...USUAL_SCORE, parts: true } });
    const paths = files.map(({ path }) => path.toLowerCase());
    expect(new Set(paths).size).toBe(paths.length);
    expect(paths.slice(0, 3)).toEqual(['score/con_.musicxml', 'parts/con_.musicxml', 'parts/con_ (2).musicxml']);
  });

  it('is a score on its way to a sequencer too: both ways are open', async () => {
    const score = ScoreDesk.open([original], NO_SETTINGS);
    score.convert(NO_SETTINGS);
    const originals = [{ fileName: 'goose.musicxml', bytes: score.export('musicxml') }];
    const desk = new DispatchDesk({ name: 'Goose', direction: 'to-sequencer', originals, ledger: EMPTY_LEDGER });
    const files = await sent({ ...plain, score: USUAL_SCORE, midi: USUAL_MIDI, sound: USUAL_SOUND }, { desk });
    expect(files.map(({ path }) => path)).toEqual([
      'Score/Goose Score v1.musicxml',
      'MIDI/Goose v1.mid',
      'Sound/Goose Mix v1.wav',
    ]);
    expect(files.flatMap((file) => checkDelivered(file)?.findings ?? []).filter(({ ok }) => !ok)).toEqual([]);
    // Nobody played it: what cannot be heard is not promised either.
    const sound = { ...USUAL_SOUND, version: 'received' as const };
    expect(toEnd(previewOf(desk, { ...plain, sound })).words.at(-1)).toMatch(/^Sound of the score: /);
    const [mix] = await sent({ ...plain, sound }, { desk });
    expect(mix!.words).toMatch(/the score\. Bar 1 is at its beginning$/);
  });
});

describe('the paragraph before', () => {
  it('says in words what will be there, in numbers that are true', async () => {
    for (const recipe of HOUSE_RECIPES) {
      const desk = deskOf();
      const { words, files } = toEnd(previewOf(desk, recipe));
      expect(files, recipe.name).toBe((await sent(recipe, { desk })).length);
      expect(words[0]).toBe('28 bars; bar 1 is the file’s first.');
    }
    const { words } = toEnd(previewOf(deskOf(), HOUSE_RECIPES[3]!));
    expect(words.join(' ')).toContain('MusicXML 3.0: a score of 12 parts, as players read it');
    expect(words.join(' ')).toContain('type 1, 480 ticks per quarter, no mixer data, 12 tracks with notes');
    expect(words.join(' ')).toMatch(/and all \d+ suggestions/);
  });

  it('says where bar 1 is when bars are numbered otherwise', () => {
    const ledger = enter(EMPTY_LEDGER, { kind: 'numberBar', at: 0, number: -1 });
    expect(toEnd(previewOf(deskOf(ledger), HOUSE_RECIPES[0]!)).words[0]).toBe('28 bars; bar 1 is the file’s bar 3.');
  });

  it('names the open queries that matter for this recipe, and no others', () => {
    const kinds = (recipe: Recipe) => toEnd(previewOf(deskOf(), recipe)).matters.map(({ kind }) => kind);
    expect(kinds(HOUSE_RECIPES[0]!).length).toBeGreaterThan(kinds(HOUSE_RECIPES[2]!).length);
    for (const kind of kinds(HOUSE_RECIPES[2]!))
      expect(['meter', 'no-bars', 'tempo-bends', 'pickup', 'endless-repeats', 'two-versions']).toContain(kind);
    const [query] = toEnd(previewOf(deskOf(), HOUSE_RECIPES[0]!)).matters;
    const ledger = enter(EMPTY_LEDGER, { kind: 'dismissQuery', query: query!.id, reason: '' });
    expect(toEnd(previewOf(deskOf(ledger), HOUSE_RECIPES[0]!)).matters.map(({ id }) => id)).not.toContain(query!.id);
  });
});

describe('a parcel', () => {
  it('has its contents in words and sums that are right', async () => {
    const files = await sent({ ...plain, score: USUAL_SCORE, midi: USUAL_MIDI, originals: true });
    const of = { title: 'Goose', recipe: 'Mine', date: '2026-03-31', words: ['28 bars.'], open: ['Is it so?'], files };
    const zip = unzipSync(packParcel(await withContents(of), of.date));
    expect(Object.keys(zip)).toEqual([
      'Contents.txt',
      'claims.json',
      'SHA256SUMS.txt',
      ...files.map(({ path }) => path),
    ]);
    const sums = strFromU8(zip['SHA256SUMS.txt']!).trim().split('\n');
    expect(sums).toHaveLength(files.length + 2);
    // Hashed by Node, not by ourselves.
    for (const line of sums) {
      const [hash, path] = line.split('  ');
      expect(createHash('sha256').update(zip[path!]!).digest('hex'), path).toBe(hash);
    }
    const contents = strFromU8(zip['Contents.txt']!);
    expect(contents).toContain('Made on 2026-03-31 by the recipe “Mine”.');
    for (const { path, bytes } of files) {
      expect(contents).toContain(path);
      expect(contents).toContain(`${bytes.length} bytes`);
    }
    expect(contents).toContain('Still open:\n  - Is it so?');
    expect(contentsSheet({ ...of, open: [] })).toContain('No open queries.');
  });
});

describe('recipes', () => {
  it('travel as JSON and come back', () => {
    for (const recipe of HOUSE_RECIPES) expect(readRecipe(writeRecipe(recipe), 'r.json')).toEqual(recipe);
  });
  it.each([
    ['no JSON', '{', /not JSON/],
    ['something else', '{"format":"dragoman-drum-map"}', /something else/],
    ['a field nobody knows', writeRecipe({ ...plain, loud: true } as never), /fields/],
    ['a wish out of bounds', writeRecipe({ ...plain, midi: { ...USUAL_MIDI, ticksPerQuarter: 7 } }), /fields/],
    ['a wish that is none', writeRecipe({ ...plain, score: [] } as never), /fields/],
  ])('are refused with a sentence: %s', (_, json, why) => {
    expect(() => readRecipe(json, 'r.json')).toThrow(why);
    expect(() => readRecipe(json, 'r.json')).toThrow(/“r.json” is not a recipe: .*nothing was changed/);
  });
  it.each([
    [plain, /is empty/],
    [{ ...plain, score: { ...USUAL_SCORE, whole: false } }, /includes MusicXML but/],
    [{ ...plain, originals: true, pattern: '{cue} {colour}' }, /“{colour}” says nothing/],
    [{ ...plain, originals: true, pattern: '{cue' }, /A brace is open/],
    [{ ...plain, originals: true, pattern: '  ' }, /need a name/],
  ])('say what is wrong with them', (recipe, why) => {
    expect(recipeFault(recipe)).toMatch(why);
  });
  it('of the house can all be used', () => {
    for (const recipe of HOUSE_RECIPES) expect(recipeFault(recipe)).toBeNull();
  });
});
