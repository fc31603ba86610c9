/* What a recipe asks of a job, as a list of things to make; each makes one or several files. */
import type { PartId } from '../base';
import {
  USUAL_MAP,
  type ListsWish,
  type MapWish,
  type MidiWish,
  type PagesWish,
  type Recipe,
  type ScoreWish,
  type SoundWish,
} from '../documents';
import {
  isForComposer,
  querySheetText,
  sheetLine,
  type ScoreDesk,
  type SequenceDesk,
  type SequenceSummary,
  type Summary,
} from '../engine';
import { clickAlone, later, type Stretch } from '../hearing';
import { EXTRACTS, type Extract, type ExtractKind } from '../extracts';
import type { MarksOut } from '../score';
import { USUAL_CLICK, type StudioMapSettings } from '../studio';
import type { Seconds } from '../time';
import type { DispatchDesk, Working } from './dispatch-desk';
import type { Makers, Sheet } from './makers';
import { tracksAsCsv, tracksOfScore, tracksOfSequence } from './track-list';

export const FOLDERS = ['Score', 'Parts', 'MIDI', 'Studio', 'Lists', 'Pages', 'Sound'] as const;
type Folder = (typeof FOLDERS)[number];

/** A file without its place yet. */
export interface Made {
  folder: Folder;
  /** What it holds, for its name; empty for the whole. */
  label: string;
  /** Of several of its kind, from 1; 0 where it stands alone. */
  number: number;
  extension: string;
  bytes: Uint8Array;
  /** Bars a receiver should count; null where the file is no whole. */
  bars: number | null;
  /** For the contents sheet. */
  words: string;
}

export type OnShare = (share: number) => void;

export interface Task {
  /** "Pages: Flute" */
  words: string;
  make: (makers: Makers, onShare: OnShare) => Made[] | Promise<Made[]>;
}

const utf8 = new TextEncoder();

/** Everything the recipe asks for, in order. @throws SmfError or MusicXmlError when an original cannot be used so */
export function* tasksOf(desk: DispatchDesk, recipe: Recipe, date: string): Generator<Working, Task[]> {
  const tasks: Task[] = [];
  if (recipe.score) tasks.push(...(yield* scores(desk, recipe.score, { marks: recipe.marks, date })));
  if (recipe.midi) tasks.push(...(yield* midi(desk, recipe.midi)));
  if (recipe.map) tasks.push(yield* studioMap(desk, recipe.map));
  if (recipe.lists) tasks.push(...(yield* lists(desk, recipe.lists, recipe.map)));
  if (recipe.pages) tasks.push(...(yield* pages(desk, recipe.pages, recipe.marks)));
  if (recipe.sound) tasks.push(...(yield* sounds(desk, recipe.sound, recipe.map)));
  return tasks;
}

export type ExtractWish = Pick<ScoreWish, 'leadSheet' | 'reduction'>;

/** The extracts that are wanted; none of music without pitches. */
export function extractsOf({ leadSheet, reduction }: ExtractWish, { parts }: Summary): Extract[] {
  if (parts.every(({ unpitched }) => unpitched)) return [];
  const wanted: Record<ExtractKind, boolean | undefined> = { 'lead-sheet': leadSheet, 'piano-reduction': reduction };
  return EXTRACTS.filter(({ kind }) => wanted[kind]);
}

function* scores(
  desk: DispatchDesk,
  wish: ScoreWish,
  how: { marks: MarksOut; date: string },
): Generator<Working, Task[]> {
  const { format, version, concert, whole, parts } = wish;
  const { desk: score, summary } = yield* desk.converted();
  const file = (folder: Folder, part: { id: PartId; name: string } | null, number: number): Task => {
    const label = part?.name ?? (concert ? 'Score, concert pitch' : 'Score');
    return {
      words: `MusicXML: ${label}`,
      make: () => [
        {
          folder,
          label,
          number,
          extension: format,
          bytes: score.export(format, { ...how, concert, version, ...(part && { part: part.id }) }),
          bars: score.printedBars,
          words: `MusicXML ${version}${part ? ', one part' : `, ${summary.parts.length} parts`}${concert ? ', concert pitch' : ''}`,
        },
      ],
    };
  };
  return [
    ...(whole ? [file('Score', null, 0)] : []),
    ...(parts ? summary.parts.map((part, i) => file('Parts', part, i + 1)) : []),
    ...extractsOf(wish, summary).map((extract) => file('Score', extract, 0)),
  ];
}

const MIDI_FILES = [
  { wish: 'whole', files: 'one', words: 'the whole piece' },
  { wish: 'parts', files: 'parts', words: 'one part' },
  { wish: 'sections', files: 'sections', words: 'one section' },
] as const;

function* midi(desk: DispatchDesk, wish: MidiWish): Generator<Working, Task[]> {
  const tasks: Task[] = [];
  const { summary } = yield* desk.sequenced();
  const played = 'order' in summary ? summary.order.length : summary.bars.length;
  for (const { wish: which, files, words } of MIDI_FILES) {
    if (!wish[which]) continue;
    const made = yield* desk.midiFiles(wish, files);
    tasks.push({
      words: `MIDI: ${words}`,
      make: () =>
        made.map(({ label, bytes }, i) => ({
          folder: 'MIDI',
          label: files === 'one' ? '' : label || `Section ${i + 1}`,
          number: files === 'one' ? 0 : i + 1,
          extension: 'mid',
          bytes,
          bars: files === 'one' ? played : null,
          words: `Standard MIDI File, ${words}`,
        })),
    });
  }
  return tasks;
}

function* studioMap(desk: DispatchDesk, wish: MapWish): Generator<Working, Task> {
  const { desk: made } = yield* desk.made();
  return {
    words: 'Studio map',
    make: () => {
      const { midi: bytes, drift, tempos, barOne } = made.studio(studioSettings(wish));
      const words = `Standard MIDI File with tempo, meters, keys and markers${wish.click ? ' and a click' : ''}; ${tempos} tempo changes. ${barOne} Read back, no bar begins more than ${drift.largest.toFixed(2)} ms from where it should`;
      return [{ folder: 'Studio', label: 'Studio map', number: 0, extension: 'mid', bytes, bars: null, words }];
    },
  };
}

const studioSettings = ({ click, ...wish }: MapWish): StudioMapSettings => ({
  ...wish,
  click: click ? USUAL_CLICK : null,
});

/** The table that goes with a map is laid out as the map is. */
const timesAs = ({ rate, start }: ListsWish, map: MapWish | null): StudioMapSettings =>
  studioSettings(map ?? { ...USUAL_MAP, rate, start });

function* lists(desk: DispatchDesk, wish: ListsWish, map: MapWish | null): Generator<Working, Task[]> {
  const made = yield* desk.made();
  const { summary } = made;
  const file = (label: string, extension: 'csv' | 'txt', words: string, text: () => string): Task => ({
    words: label,
    // A byte order mark, so that spreadsheets read ♭ and ü as they are.
    make: () => [
      { folder: 'Lists', label, number: 0, extension, bytes: utf8.encode(`\uFEFF${text()}`), bars: null, words },
    ],
  });
  const tracks = () => tracksAsCsv('opened' in summary ? tracksOfScore(summary) : tracksOfSequence(summary));
  const times = () => made.desk.studio(timesAs(wish, map)).csv;
  const nameOf = (id: string) => summary.parts.find((part) => part.id === id)?.name ?? id;
  const queries = () =>
    querySheetText(
      desk.job.name,
      desk
        .open(summary.queries)
        .filter(isForComposer)
        .map((query) => sheetLine(query, summary.bars, nameOf)),
    );
  return [
    ...(wish.tracks ? [file('Tracks', 'csv', 'Which track is what', tracks)] : []),
    ...(wish.times ? [file('Times', 'csv', 'Every bar and change with time and time code', times)] : []),
    ...(wish.queries ? [file('Queries', 'txt', 'Open queries with room for answers', queries)] : []),
  ];
}

function* pages(desk: DispatchDesk, wish: PagesWish, marks: MarksOut): Generator<Working, Task[]> {
  const { desk: score, summary } = yield* desk.converted();
  const { composer } = score;
  const { concert, cover, paper, barNumbers } = wish;
  const title = summary.title || desk.job.name;
  const book = (label: string, number: number, sheets: () => Sheet[], words: string): Task => ({
    words: `Pages: ${label}`,
    make: async (makers, onShare) => [
      {
        folder: 'Pages',
        label,
        number,
        extension: 'pdf',
        bytes: await makers.pdf({ title, composer, cover, paper, barNumbers, sheets: sheets() }, onShare),
        bars: null,
        words,
      },
    ],
  });
  const whole = () => [{ musicXml: score.sheet(null, concert, marks), name: '', staffMillimetres: wish.scoreStaff }];
  const one = ({ id, name }: { id: PartId; name: string }): Sheet => ({
    musicXml: score.sheet(id, concert, marks),
    name,
    staffMillimetres: wish.partStaff,
  });
  const extracts = extractsOf(wish, summary).map((extract) =>
    book(extract.name, 0, () => [one(extract)], `PDF, ${paper}, ${extract.name.toLowerCase()}`),
  );
  return [
    ...(wish.score ? [book('Score', 0, whole, `PDF, ${paper}, the score`)] : []),
    ...(wish.parts
      ? summary.parts.map((part, i) => book(part.name, i + 1, () => [one(part)], `PDF, ${paper}, one part`))
      : []),
    ...(wish.allParts
      ? [book('Parts', 0, () => summary.parts.map(one), `PDF, ${paper}, all parts one after the other`)]
      : []),
    ...extracts,
  ];
}

const BARS_AT_ONCE = 64;
/** What a machine can hold in memory, at 48 kHz in stereo. */
const LONGEST_MINUTES = 30;

/** Mix, stems and click begin together, and with the map where one goes out: what it counts in is silent in them. */
function* sounds(desk: DispatchDesk, wish: SoundWish, map: MapWish | null): Generator<Working, Task[]> {
  const { desk: made, summary } = yield* desk.made();
  const version = audible(wish.version, summary);
  const layout = made.soundLayout(map?.countIn ?? 0);
  // Stems are turned down as the mix is, so that together they are the mix.
  let gain: number | null = null;
  const task = (label: string, number: number, what: string, stretches: () => Stretch[]): Task => ({
    words: `Sound: ${label}`,
    make: async (makers, onShare) => {
      const rendered = await makers.wav({ stretches: stretches(), gain }, wish.sampleRate, onShare);
      gain ??= rendered.gain;
      const words = `WAV, ${wish.sampleRate / 1000} kHz, 16 bits, ${what}. ${layout.barOne}`;
      return [{ folder: 'Sound', label, number, extension: 'wav', bytes: rendered.wav, bars: null, words }];
    },
  });
  const heard = (parts: PartId[]) => () => stretchesOf(made, version, parts, layout.countIn);
  return [
    ...(wish.mix || wish.stems ? [task('Mix', 0, `as ${version}`, heard([]))] : []),
    ...(wish.stems ? summary.parts.map(({ id, name }, i) => task(name, i + 1, `as ${version}`, heard([id]))) : []),
    ...(wish.click ? [task('Click', 0, 'the click alone', () => [clickAlone(layout.click, layout.end)])] : []),
  ];
}

/** What can be heard of a job: a score has no playing that was received, a MIDI file that stays one is not written. */
export function audible(version: SoundWish['version'], summary: Summary | SequenceSummary): SoundWish['version'] {
  if (!('kind' in summary) || version === 'delivered') return version;
  return summary.kind === 'score' ? 'written' : 'received';
}

function stretchesOf(
  desk: ScoreDesk | SequenceDesk,
  version: SoundWish['version'],
  parts: PartId[],
  countIn: Seconds,
): Stretch[] {
  const stretches: Stretch[] = [];
  let seconds = 0;
  for (let from: Stretch['next'] = { bar: 0, pass: 0 }; from;) {
    const fromZero = stretches.length === 0;
    const heard: Stretch = desk.hear(version, { from, bars: BARS_AT_ONCE, parts, click: false, fromZero });
    const stretch = fromZero ? later(heard, countIn) : heard;
    stretches.push(stretch);
    seconds += stretch.end;
    if (seconds > LONGEST_MINUTES * 60)
      throw new Error(`This lasts more than ${LONGEST_MINUTES} minutes, which is too long for one sound file.`);
    from = stretch.next;
  }
  return stretches;
}
