/*
 * What is fuzzed: for each kind of input some good ones, a way to damage them, and what is done with the outcome. A
 * case is good when it gives a result or is refused with a typed error.
 */
import { createHash } from 'node:crypto';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { BANDS, bandFile } from '../bench/bands';
import type { Random } from '../bench/random';
import { demoMechanical, demoOriginal } from '../demo/make';
import { POST as convertRoute } from '../src/app/api/convert/route';
import { POST as pdfRoute } from '../src/app/api/pdf/route';
import { trackId } from '../src/core/base';
import type { Decision } from '../src/core/decisions';
import { packArchive, settingsOf, unpackArchive } from '../src/core/documents';
import { ScoreDesk, openSequence } from '../src/core/engine';
import { MARK_CLASSES } from '../src/core/score';
import { ANEW_ASPECTS, NO_JOB_SETTINGS, NO_SETTINGS, USUAL_TREATMENTS, withSequencing } from '../src/core/settings';
import stored from '../src/storage/fixtures/decisions-by-version.json';
import { damageBytes, damageJson, damageXml } from './mutations';

/** What became of a case. */
export type Outcome = 'result' | 'refused';

export interface Target {
  /** A damaged input, the same for the same random numbers. */
  make(random: Random): Uint8Array;
  /** @throws whatever the program did not foresee */
  run(bytes: Uint8Array): Outcome | Promise<Outcome>;
}

/** Refusals with a sentence of their own. */
const TYPED = new Set(['SmfError', 'MusicXmlError', 'JobError']);

async function outcomeOf(work: () => unknown): Promise<Outcome> {
  try {
    await work();
    return 'result';
  } catch (error) {
    if (error instanceof Error && TYPED.has(error.name)) return 'refused';
    throw error;
  }
}

/** Built when first asked for: each child needs those of its own kind only. */
function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

const midiFiles = once(() => [demoOriginal(), demoMechanical(), ...BANDS.slice(0, 3).map((band) => bandFile(band, 5))]);

const scoreTexts = once(() =>
  midiFiles().map((bytes) => {
    const desk = ScoreDesk.open([bytes], NO_SETTINGS);
    const { score } = desk.convert(NO_SETTINGS);
    const rules = MARK_CLASSES.map((mark) => ({ mark, use: 'on' as const, strength: 'usual' as const }));
    desk.convert({ ...NO_SETTINGS, marks: Object.fromEntries(score.parts.map((part) => [part.id, rules])) });
    // Some bars of each are enough, and leave time for more cases.
    return new TextDecoder()
      .decode(desk.export('musicxml'))
      .replace(/<measure number="(?:9|\d\d+)"[\s\S]*?<\/measure>\s*/g, '');
  }),
);

/** Everything that can be done to a MIDI file on its way to a sequencer. */
const SET_UP = withSequencing({
  preset: 'expression',
  files: 'sections',
  padPickup: true,
  arranging: {
    sounds: 'instrument',
    names: 'instrument',
    channels: 'by-part',
    type: 1,
    ticksPerQuarter: 384,
    emptyBars: 1,
    byHand: 'all',
  },
  treatments: Object.values(USUAL_TREATMENTS).map((does) => ({ part: null, bars: null, does })),
});

const SMF: Target = {
  make: (random) => damageBytes(random, random.pick(midiFiles()), random.pick(midiFiles())),
  run: (bytes) =>
    outcomeOf(() => {
      const sequence = openSequence([bytes]);
      sequence.make(NO_JOB_SETTINGS);
      sequence.files(SET_UP);
      const desk = ScoreDesk.open([bytes], NO_SETTINGS);
      desk.convert(NO_SETTINGS);
      desk.export('musicxml');
    }),
};

const MUSICXML: Target = {
  make: (random) => {
    const text = random.pick(scoreTexts());
    if (random.next() < 0.85) return strToU8(damageXml(random, text));
    return damageBytes(random, strToU8(text), strToU8(random.pick(scoreTexts())));
  },
  run: (bytes) =>
    outcomeOf(() => {
      const desk = openSequence([bytes]);
      desk.make(NO_JOB_SETTINGS);
      desk.files(withSequencing({ files: 'sections', padPickup: true }));
      const score = ScoreDesk.open([bytes], NO_SETTINGS);
      score.convert(NO_SETTINGS);
      score.convert({ ...NO_SETTINGS, anew: ANEW_ASPECTS.map((aspect) => ({ aspect, part: null })) });
      score.export('musicxml');
      // As if the demo had been played from it: hardly the same music any more.
      ScoreDesk.open([bytes, midiFiles()[0]!], NO_SETTINGS).convert(NO_SETTINGS);
    }),
};

const sha256 = (bytes: Uint8Array) => Promise.resolve(createHash('sha256').update(bytes).digest('hex'));

const archives = once(() => {
  const bytes = demoOriginal();
  const hash = createHash('sha256').update(bytes).digest('hex');
  const originals = [{ fileName: 'goose.mid', sha256: hash, size: bytes.length, bytes }];
  // Checked when they are read.
  const kept = stored.flatMap(({ decisions }) => decisions as unknown as Decision[]);
  const few: Decision[] = [{ kind: 'leaveOut', tracks: [trackId('t2')] }];
  return [kept, few].map((decisions) =>
    packArchive({ name: 'Goose', originals, ledger: { decisions, position: decisions.length } }),
  );
});

const ARCHIVE: Target = {
  make: (random) => {
    const archive = random.pick(archives());
    if (random.next() < 0.2) return damageBytes(random, archive, random.pick(archives()));
    const { 'job.json': job, ...originals } = unzipSync(archive);
    const damaged = damageJson(random, JSON.parse(strFromU8(job!)));
    return zipSync({ 'job.json': strToU8(JSON.stringify(damaged) ?? ''), ...originals }, { level: 0 });
  },
  run: (bytes) =>
    outcomeOf(async () => {
      const { ledger, originals } = await unpackArchive(bytes, 'x.dragoman.zip', sha256);
      const settings = settingsOf(ledger);
      ScoreDesk.open([originals[0]!.bytes], settings).convert(settings);
    }),
};

const HEADERS = {
  'content-type': ['multipart/form-data; boundary=x', 'multipart/form-data', 'application/json', 'text/plain', ''],
  origin: ['http://127.0.0.1', 'http://example.org', 'null', 'x'],
  'sec-fetch-site': ['same-origin', 'cross-site', 'none', 'x'],
  'content-length': ['0', '10', '999999999999', '-1', 'x'],
};

/** A request as JSON, so that it can be kept: which route, its headers, its body. */
interface KeptRequest {
  route: 'convert' | 'pdf';
  headers: Record<string, string>;
  body: string;
}

/** A form with a file, byte for byte as text. */
const formOf = (file: Uint8Array): string =>
  [
    '--x\r\nContent-Disposition: form-data; name="direction"\r\n\r\nto-score\r\n',
    `--x\r\nContent-Disposition: form-data; name="file"; filename="a.mid"\r\n\r\n${strFromU8(file, true)}\r\n`,
    '--x--\r\n',
  ].join('');
const smallFile = once(() => bandFile(BANDS[0], 5));
const DRAWN =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><path d="M0 0L1 1"/><text x="1">a</text></svg>';
const PAGES = { title: 'Goose', pages: [{ svg: DRAWN, left: 'Flute', right: '1' }] };

/** Some go through whole; of others the file, the drawing or the whole request is damaged. */
function bodyOf(route: KeptRequest['route'], random: Random): string {
  const whole = random.next() < 0.2;
  const damaged = (text: string) => strFromU8(damageBytes(random, strToU8(text, true), strToU8(text, true)), true);
  if (route === 'convert') {
    const file = smallFile();
    const form = formOf(random.next() < 0.3 ? file : damageBytes(random, file, file));
    return whole ? damaged(form) : form;
  }
  const pages = random.next() < 0.3 ? PAGES : damageJson(random, PAGES);
  const text = JSON.stringify(random.next() < 0.3 ? withDrawing(damaged(DRAWN)) : pages) ?? '';
  return whole ? damaged(text) : text;
}

const withDrawing = (svg: string) => ({ ...PAGES, pages: [{ ...PAGES.pages[0], svg }] });

const HTTP: Target = {
  make: (random) => {
    const route = random.pick(['convert', 'pdf'] as const);
    const usual = route === 'convert' ? HEADERS['content-type'][0]! : 'application/json';
    const body = bodyOf(route, random);
    const headers: Record<string, string> = {
      host: '127.0.0.1',
      'content-type': usual,
      'content-length': String(strToU8(body, true).length),
    };
    for (const [name, values] of Object.entries(HEADERS)) if (random.next() < 0.04) headers[name] = random.pick(values);
    return strToU8(JSON.stringify({ route, headers, body } satisfies KeptRequest));
  },
  run: async (bytes) => {
    const { route, headers, body } = JSON.parse(strFromU8(bytes)) as KeptRequest;
    const request = new Request('http://127.0.0.1/api/x', {
      method: 'POST',
      headers,
      body: strToU8(body, true).slice(),
    });
    const response = await (route === 'convert' ? convertRoute : pdfRoute)(request);
    // What went wrong inside is a fault; a refusal has one sentence.
    if (response.status >= 500) throw new Error(`answered ${response.status}: ${await response.text()}`);
    if (response.ok) return 'result';
    const { error } = (await response.json()) as { error?: string };
    if (!error) throw new Error(`answered ${response.status} without a sentence`);
    return 'refused';
  },
};

export const TARGETS = { smf: SMF, musicxml: MUSICXML, archive: ARCHIVE, http: HTTP } satisfies Record<string, Target>;
export type Kind = keyof typeof TARGETS;
