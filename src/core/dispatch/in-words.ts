/* Before anything is made: what a recipe will hand over, in words, and which open queries matter for it. */
import { DELIVERIES, type ListsWish, type MapWish, type MidiWish, type Recipe, type SoundWish } from '../documents';
import { isForComposer, type OpenQuery, type SequenceSummary, type Summary } from '../engine';
import type { Bar } from '../time';
import type { DispatchDesk, Working } from './dispatch-desk';
import { patternFault } from './names';
import { sequencerSees } from '../receivers/plain-sequencer';
import { audible, extractsOf, type ExtractWish } from './tasks';

export interface Preview {
  /** Paragraph: a sentence for each kind of file. */
  words: string[];
  /** Open queries that concern what goes out. */
  matters: OpenQuery[];
  files: number;
}

const number = (value: number) => value.toLocaleString('en');
const many = (n: number, one: string, more = `${one}s`) => `${number(n)} ${n === 1 ? one : more}`;

/** What a wish says of which of its files it wants: at least one of these. */
const WANTED = {
  score: ['MusicXML', ['whole', 'parts', 'leadSheet', 'reduction']],
  midi: ['MIDI', ['whole', 'parts', 'sections']],
  lists: ['lists', ['tracks', 'times', 'queries']],
  pages: ['pages', ['score', 'parts', 'allParts', 'leadSheet', 'reduction']],
  sound: ['sound', ['mix', 'stems', 'click']],
} as const;

/** What is wrong with a recipe itself, in a sentence; null where it can be used. */
export function recipeFault(recipe: Recipe): string | null {
  const empty = (['score', 'midi', 'lists', 'pages', 'sound'] as const).flatMap((kind) => {
    const [words, fields] = WANTED[kind];
    const wish = Object.entries(recipe[kind] ?? {});
    return wish.length === 0 || wish.some(([field, on]) => on === true && fields.some((one) => one === field))
      ? []
      : [words];
  });
  if (empty.length > 0) return `The recipe wants ${empty.join(' and ')} but does not say what of it.`;
  if (!recipe.originals && DELIVERIES.every((kind) => recipe[kind] === null))
    return 'The recipe asks for nothing; choose what is to go out.';
  return patternFault(recipe.pattern);
}

/** @throws SmfError or MusicXmlError when an original cannot be used so */
export function* previewOf(desk: DispatchDesk, recipe: Recipe): Generator<Working, Preview> {
  const { summary } = yield* desk.made();
  const draft = new Draft(desk, [whereBarOneIs(summary.bars)]);
  if (recipe.score || recipe.pages) {
    const { summary: written } = yield* desk.converted();
    draftScore(draft, recipe, written);
  }
  if (recipe.midi) yield* draftMidi(draft, recipe.midi);
  if (recipe.map) {
    draft.says(mapInWords(recipe.map), 1);
    draft.concern(summary.queries, OF_TIME);
  }
  if (recipe.lists) draftLists(draft, recipe.lists, recipe.map, summary.queries);
  if (recipe.sound) draftSound(draft, recipe.sound, summary);
  if (recipe.originals) {
    const { length } = desk.job.originals;
    draft.says(`The ${length === 1 ? 'original' : 'originals'} as received, untouched.`, length);
  }
  return draft.done();
}

/** Gathers sentences, files and queries. */
class Draft {
  private files = 0;
  private readonly matters = new Map<string, OpenQuery>();

  constructor(
    readonly desk: DispatchDesk,
    private readonly words: string[],
  ) {}

  says(sentence: string, files: number): void {
    this.words.push(sentence);
    this.files += files;
  }

  /** @param kinds none for all of them */
  concern(queries: readonly OpenQuery[], kinds?: readonly OpenQuery['kind'][]): void {
    for (const query of this.desk.open(queries))
      if (kinds?.includes(query.kind) ?? true) this.matters.set(query.id, query);
  }

  done(): Preview {
    return { words: this.words, matters: [...this.matters.values()], files: this.files };
  }
}

/** What concerns where bars are and how fast they go. */
const OF_TIME: OpenQuery['kind'][] = ['meter', 'no-bars', 'tempo-bends', 'pickup', 'endless-repeats', 'two-versions'];
/** What concerns who plays what. */
const OF_TRACKS: OpenQuery['kind'][] = [
  'unknown-instrument',
  'unsure-instruments',
  'house-list',
  'duplicate-track',
  'mixed-channels',
  'players',
  'gather',
  'wrong-sounds',
];

function whereBarOneIs(bars: readonly Bar[]): string {
  const first = bars.findIndex(({ number: own }) => own === 1);
  const hasPickup = bars.length > 1 && bars[0]!.implicit && bars[0]!.number < 1;
  const words = hasPickup ? `${many(bars.length - 1, 'bar')} and a pickup` : many(bars.length, 'bar');
  if (first < 0) return `${words}, counted from ${bars[0]?.number ?? 1}; none is bar 1.`;
  if (first === 0) return `${words}; bar 1 is the file’s first.`;
  return first === 1 && hasPickup ? `${words}.` : `${words}; bar 1 is the file’s bar ${first + 1}.`;
}

function draftScore(draft: Draft, { score, pages, marks }: Recipe, summary: Summary): void {
  draft.concern(summary.queries);
  const parts = summary.parts.length;
  const oneByOne = `${many(parts, 'part')} one by one`;
  if (score) {
    const extracts = extractsIn(score, summary);
    const what = [
      ...(score.whole ? [`a score of ${many(parts, 'part')}`] : []),
      ...(score.parts ? [oneByOne] : []),
      ...extracts,
    ];
    const pitch = score.concert ? 'at concert pitch' : 'as players read it';
    draft.says(
      `MusicXML ${score.version}${score.format === 'mxl' ? ', compressed' : ''}: ${inARow(what)}, ${pitch}, without layout.`,
      Number(score.whole) + (score.parts ? parts : 0) + extracts.length,
    );
  }
  if (pages) {
    const extracts = extractsIn(pages, summary);
    const what = [
      ...(pages.score ? ['the score'] : []),
      ...(pages.parts ? [oneByOne] : []),
      ...(pages.allParts ? ['all parts in one file'] : []),
      ...extracts,
    ];
    const paper = pages.paper === '9x12' ? '9 × 12 in' : pages.paper;
    draft.says(
      `PDF on ${paper}: ${what.join(', ')}. Page turns are left to your notation program.`,
      Number(pages.score) + Number(pages.allParts) + (pages.parts ? parts : 0) + extracts.length,
    );
  }
  draft.says(marksInWords(marks, summary), 0);
}

const extractsIn = (wish: ExtractWish, summary: Summary) =>
  extractsOf(wish, summary).map(({ kind }) => (kind === 'lead-sheet' ? 'a lead sheet' : 'a piano reduction'));

/** "a, b and c" */
const inARow = (words: readonly string[]) =>
  [words.slice(0, -1).join(', '), ...words.slice(-1)].filter((part) => part !== '').join(' and ');

function* draftMidi(draft: Draft, wish: MidiWish): Generator<Working> {
  const { desk } = draft;
  const { summary } = yield* desk.sequenced();
  draft.concern(summary.queries);
  for (const which of ['whole', 'parts', 'sections'] as const) {
    if (!wish[which]) continue;
    const out = yield* desk.midiFiles(wish, which === 'whole' ? 'one' : which);
    draft.says(midiInWords(which, out), out.length);
  }
  const { length } = desk.job.originals;
  if (summary.kind === 'midi' && length > 1)
    draft.says(`Of ${many(length, 'original')} only the first MIDI file goes out as MIDI.`, 0);
}

function draftLists(
  draft: Draft,
  { tracks, times, queries, rate }: ListsWish,
  map: MapWish | null,
  asked: readonly OpenQuery[],
): void {
  const open = draft.desk.open(asked).filter(isForComposer).length;
  const what = [
    ...(tracks ? ['which track is what'] : []),
    ...(times ? [`every bar with its time and code at ${map?.rate ?? rate} frames`] : []),
    ...(queries ? [`${many(open, 'query', 'queries')} for the composer`] : []),
  ];
  draft.says(`Lists: ${what.join('; ')}.`, what.length);
  if (times) draft.concern(asked, OF_TIME);
  if (tracks) draft.concern(asked, OF_TRACKS);
}

function draftSound(
  draft: Draft,
  { mix, stems, click, version: wished, sampleRate }: SoundWish,
  summary: Summary | SequenceSummary,
): void {
  const { parts, queries } = summary;
  const version = audible(wished, summary);
  const what = [
    ...(mix || stems ? ['the mix'] : []),
    ...(stems ? [many(parts.length, 'stem')] : []),
    ...(click ? ['the click'] : []),
  ];
  draft.says(
    `Sound, as ${version}: ${what.join(', ')}, WAV at ${sampleRate / 1000} kHz.`,
    (mix || stems ? 1 : 0) + (stems ? parts.length : 0) + Number(click),
  );
  if (version !== 'received') draft.concern(queries);
}

function marksInWords(marks: Recipe['marks'], { parts, suggestedChords }: Summary): string {
  const sum = (of: 'found' | 'taken') =>
    parts.reduce((all, { report }) => Object.values(report.marks[of]).reduce((some, one) => some + one, all), 0);
  const suggested = sum('found') - sum('taken') + suggestedChords;
  switch (marks) {
    case 'none':
      return 'No dynamics, slurs, articulations, pedal or chord symbols go along, whoever set them.';
    case 'taken':
      return suggested > 0
        ? `Marks that were taken go along; ${many(suggested, 'suggestion stays', 'suggestions stay')} behind.`
        : 'Marks that were taken go along; nothing more is suggested.';
    case 'suggested':
      return suggested > 0
        ? `Marks that were taken go along, and all ${many(suggested, 'suggestion')}.`
        : 'Marks that were taken go along; nothing more is suggested.';
  }
}

/** Read back from the bytes: it is the file that is described, not what it was meant to be. */
function midiInWords(
  which: 'whole' | 'parts' | 'sections',
  files: readonly { label: string; bytes: Uint8Array }[],
): string {
  const seen = files.map(({ bytes }) => sequencerSees(bytes));
  const [first] = seen;
  if (!first) return 'No MIDI file: there is nothing to put in it.';
  const mixer = seen.some(({ mixerData }) => mixerData > 0)
    ? `${many(
        seen.reduce((sum, one) => sum + one.mixerData, 0),
        'mixer event',
      )} (volume, pan, reverb, chorus)`
    : 'no mixer data';
  const format = `type ${first.format}, ${number(first.ticksPerQuarter)} ticks a quarter, ${mixer}`;
  if (which === 'whole')
    return `MIDI: ${format}, ${many(first.tracks.filter(({ notes }) => notes > 0).length, 'track')} with notes and a first one for tempo, meters and markers.`;
  return `MIDI, ${which === 'parts' ? `${many(files.length, 'part')} one by one` : many(files.length, 'section')}: ${format}.`;
}

function mapInWords({ click, countIn, ticksPerQuarter, tolerance }: NonNullable<Recipe['map']>): string {
  const extra = [
    ...(click ? ['a click'] : []),
    ...(countIn > 0 ? [`${many(countIn, 'bar')} counted in`] : []),
    tolerance > 0 ? `tempo thinned within ${tolerance} ms` : 'every tempo change',
  ];
  return `Studio map: tempo, meters, keys and markers at ${number(ticksPerQuarter)} ticks, ${extra.join(', ')}.`;
}
