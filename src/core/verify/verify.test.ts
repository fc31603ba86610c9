import { strFromU8, strToU8, unzipSync } from 'fflate';
import { beforeAll, describe, expect, it } from 'vitest';
import { demoOriginal } from '../../../demo/make';
import { deliver, DispatchDesk, packParcel, sumsOf, withContents } from '../dispatch';
import { EMPTY_LEDGER, USUAL_LISTS, USUAL_MAP, USUAL_MIDI, USUAL_SCORE, USUAL_SOUND, type Recipe } from '../documents';
import { readSmf, writeSmf, type SmfEvent } from '../smf';
import { CLAIMS, SUMS, verifyParcel, type ParcelFile } from './index';

/* A parcel is verified by its files alone. Each kind of claim has a planted fault that must fail it, and no other. */

const recipe: Recipe = {
  name: 'Everything',
  pattern: '{part}',
  marks: 'taken',
  score: USUAL_SCORE,
  midi: USUAL_MIDI,
  map: { ...USUAL_MAP, countIn: 2, click: true, start: 90_000 },
  lists: USUAL_LISTS,
  pages: null,
  sound: { ...USUAL_SOUND, version: 'received' },
  originals: true,
};

/** Half a second of silence, then one loud sample. */
function wav(): Uint8Array {
  const bytes = new Uint8Array(44 + 4 * 44_100);
  const view = new DataView(bytes.buffer);
  bytes.set(strToU8('RIFF'));
  view.setUint16(22, 2, true);
  view.setUint32(24, 44_100, true);
  view.setUint16(34, 16, true);
  view.setInt16(44 + 4 * 22_050, 9000, true);
  return bytes;
}

let parcel: ParcelFile[];
beforeAll(async () => {
  const desk = new DispatchDesk({
    name: 'Goose',
    direction: 'to-score',
    originals: [{ fileName: 'goose.mid', bytes: demoOriginal() }],
    ledger: EMPTY_LEDGER,
  });
  const makers = { pdf: () => Promise.reject(new Error('none')), wav: () => Promise.resolve({ wav: wav(), gain: 1 }) };
  const files = [];
  for await (const step of deliver(desk, recipe, { version: 1, date: '2026-03-31' }, makers)) files.push(...step.files);
  const pdf = {
    path: 'Pages/Score.pdf',
    bytes: strToU8('%PDF-1.7 << /Type /Pages >> << /Type /Page >> << /Type /Page >>'),
    bars: null,
    words: '',
  };
  const about = { title: 'Goose', recipe: 'Everything', date: '2026-03-31', words: [], open: [] };
  const zip = packParcel(await withContents({ ...about, files: [...files, pdf] }), '2026-03-31');
  parcel = Object.entries(unzipSync(zip)).map(([path, bytes]) => ({ path, bytes }));
});

const find = (end: string) => parcel.find(({ path }) => path.endsWith(end))!;
const text = (end: string) => strFromU8(find(end).bytes);
const failing = async (files: readonly ParcelFile[]) => (await verifyParcel(files)).filter(({ ok }) => !ok);

/** The parcel with one file changed, its sum put right: whoever changes a file may change that too. */
async function forged(end: string, change: (bytes: Uint8Array) => Uint8Array): Promise<ParcelFile[]> {
  const changed = parcel.map((file) => (file.path.endsWith(end) ? { ...file, bytes: change(file.bytes) } : file));
  const sums = await sumsOf(changed.filter(({ path }) => path !== SUMS));
  return changed.map((file) => (file.path === SUMS ? { ...file, bytes: strToU8(sums) } : file));
}
const inText = (from: RegExp | string, to: string) => (bytes: Uint8Array) => {
  const before = strFromU8(bytes);
  const after = before.replace(from, to);
  expect(after).not.toBe(before);
  return strToU8(after);
};
const inMidi = (change: (event: SmfEvent) => SmfEvent[]) => (bytes: Uint8Array) => {
  const { file } = readSmf(bytes);
  return writeSmf({
    ...file,
    tracks: file.tracks.map((track) => ({ ...track, events: track.events.flatMap(change) })),
  });
};

describe('a parcel', () => {
  it('is found as its sheet says, sentence by sentence', async () => {
    const verdicts = await verifyParcel(parcel);
    expect(verdicts.filter(({ ok }) => !ok)).toEqual([]);
    const sheet = text('Contents.txt');
    for (const { words } of verdicts.slice(1)) expect(sheet).toContain(`  - ${words}`);
    const kinds = (JSON.parse(text(CLAIMS)) as { claims: { kind: string }[] }).claims.map(({ kind }) => kind);
    expect(new Set(kinds)).toEqual(
      new Set(['midi-file', 'score-file', 'midi-and-score', 'map-bars', 'map-table', 'absent', 'pages', 'sound-files']),
    );
    expect(sheet).toMatch(/Bar 1 is bar 3 of the map, 5\.000 s after it begins, time code 01:00:00:00 at 25\./);
    expect(sheet).toMatch(/none further apart than [01] ms/);
  });
  it('changed anywhere has other sums', async () => {
    const changed = parcel.map((file) =>
      file.path.endsWith('.csv') ? { ...file, bytes: strToU8(`${strFromU8(file.bytes)} `) } : file,
    );
    expect((await failing(changed))[0]!.found).toMatch(/\.csv was changed/);
    expect((await failing(parcel.filter(({ path }) => !path.endsWith('.wav'))))[0]!.found).toMatch(/\.wav is missing/);
    expect((await failing([...parcel, { path: 'more.txt', bytes: wav() }]))[0]!.found).toMatch(/more\.txt has no sum/);
  });
  it('a note of the MIDI is lost', async () => {
    let lost = false;
    const midi = parcel.find(({ path }) => path.startsWith('MIDI/'))!;
    const changed = await forged(
      midi.path,
      inMidi((event) => {
        const on = event.kind === 'channel' && (event.status & 0xf0) === 0x90 && event.data2 > 0;
        if (!on || lost) return [event];
        lost = true;
        return [];
      }),
    );
    const kinds = (await failing(changed)).map(({ words }) => words);
    expect(kinds.some((words) => words.includes('MIDI type'))).toBe(true);
    expect(kinds.some((words) => words.includes('notes played'))).toBe(true);
    expect(kinds.some((words) => words.includes('count-in'))).toBe(false);
  });
  it('a note of the score a tone higher', async () => {
    const changed = await forged('Score/Score.musicxml', inText(/<octave>5<\/octave>/, '<octave>6</octave>'));
    expect((await failing(changed)).map(({ words }) => /notes played/.test(words))).toEqual([true]);
  });
  it('another transposition, another name, layout in the score', async () => {
    const score = 'Score/Score.musicxml';
    const transposed = await failing(await forged(score, inText(/<chromatic>-2</, '<chromatic>-3<')));
    expect(transposed.some(({ words }) => words.startsWith('Score.musicxml: MusicXML'))).toBe(true);
    expect(await failing(await forged(score, inText('<part-name>Flute', '<part-name>Oboe')))).not.toEqual([]);
    const laidOut = await failing(await forged(score, inText('<part-list>', '<defaults></defaults><part-list>')));
    expect(laidOut.map(({ words }) => words)).toEqual(['Score.musicxml has no page layout.']);
  });
  it('a bar of the map later, a second in the table, a fader in the MIDI', async () => {
    const map = find('Studio map.mid').path;
    let first = true;
    const slower = await failing(
      await forged(
        map,
        inMidi((event) => {
          if (event.kind !== 'meta' || event.type !== 0x51 || !first) return [event];
          first = false;
          return [{ ...event, data: Uint8Array.from([9, 39, 192]) }];
        }),
      ),
    );
    expect(slower.some(({ words }) => words.includes('none further apart'))).toBe(true);
    const table = await failing(await forged('Times.csv', inText('1,1,3,1,0:05.000,5,', '1,1,3,1,0:05.000,5.5,')));
    expect(table.map(({ words }) => /Times\.csv/.test(words))).toEqual([true]);
    const code = await failing(await forged('Times.csv', inText('01:00:00:00', '01:00:00:01')));
    expect(code[0]!.found).toContain('time code 01:00:00:01');
    const midi = parcel.find(({ path }) => path.startsWith('MIDI/'))!.path;
    const faders = await failing(
      await forged(
        midi,
        inMidi((event) =>
          event.kind === 'meta' && event.type === 0x03
            ? [event, { kind: 'channel', tick: event.tick, status: 0xb0, data1: 7, data2: 90 }]
            : [event],
        ),
      ),
    );
    expect(faders.some(({ words }) => words.includes('has no volume'))).toBe(true);
  });
  it('a page less, a sound that begins later', async () => {
    expect((await failing(await forged('.pdf', inText('/Type /Page >>', '>>')))).map(({ words }) => words)).toEqual([
      'Score.pdf: PDF of 2 pages.',
    ]);
    const later = await failing(
      await forged('Mix.wav', (bytes) => {
        const moved = bytes.slice();
        moved.copyWithin(44 + 4 * 30_000, 44 + 4 * 22_050, 44 + 4 * 22_051);
        moved.fill(0, 44 + 4 * 22_050, 44 + 4 * 22_051);
        return moved;
      }),
    );
    expect(later[0]!.found).toContain('first sound after 0.680 s');
  });
  it('a sentence that says more than its facts, a claim nobody can check, and no claims at all', async () => {
    const boast = await failing(await forged(CLAIMS, inText(/none further apart than \d ms/, 'none apart at all')));
    expect(boast).toHaveLength(1);
    const strange = await failing(await forged(CLAIMS, inText('"kind": "pages"', '"kind": "beauty"')));
    expect(strange[0]!.found).toContain('no way to check');
    await expect(verifyParcel(parcel.filter(({ path }) => path !== CLAIMS))).rejects.toThrow(/no claims\.json/);
    await expect(verifyParcel(await forged(CLAIMS, () => strToU8('{')))).rejects.toThrow(/not what a parcel/);
  });
});
