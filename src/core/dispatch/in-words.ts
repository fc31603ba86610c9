/* Before anything is made: what a recipe will hand over, in words, and which open queries matter for it. */
import type { PartId } from '../base';
import { DELIVERIES, type Recipe } from '../documents';
import type { OpenQuery, SequenceSummary, Summary } from '../engine';
import type { Bar } from '../time';
import type { DispatchDesk, Working } from './dispatch-desk';
import { patternFault } from './names';
import { sequencerSees } from './receivers/plain-sequencer';

export interface Preview {
  /** Paragraph: a sentence for each kind of file. */
  words: string[];
  /** Open queries that concern what goes out. */
  matters: OpenQuery[];
  /** Parts that files can be made of. */
  parts: { id: PartId; name: string }[];
  files: number;
}

const number = (value: number) => value.toLocaleString('en');
const many = (n: number, one: string, more = `${one}s`) => `${number(n)} ${n === 1 ? one : more}`;

/** What is wrong with a recipe itself, in a sentence; null where it can be used. */
export function recipeFault(recipe: Recipe): string | null {
  const { score, midi, lists, pages, sound } = recipe;
  const empty = [
    ...(score && !score.whole && !score.parts ? ['MusicXML'] : []),
    ...(midi && !midi.whole && !midi.parts && !midi.sections ? ['MIDI'] : []),
    ...(lists && !lists.tracks && !lists.times && !lists.queries ? ['lists'] : []),
    ...(pages && !pages.score && !pages.parts && !pages.allParts ? ['pages'] : []),
    ...(sound && !sound.mix && !sound.stems && !sound.click ? ['sound'] : []),
  ];
  if (empty.length > 0) return `The recipe wants ${empty.join(' and ')} but does not say what of it.`;
  if (!recipe.originals && DELIVERIES.every((kind) => recipe[kind] === null))
    return 'The recipe asks for nothing; choose what is to go out.';
  return patternFault(recipe.pattern);
}

/** @throws SmfError or MusicXmlError when an original cannot be used so */
export function* previewOf(desk: DispatchDesk, recipe: Recipe): Generator<Working, Preview> {
  const made = yield* desk.made();
  const words: string[] = [whereBarOneIs(made.summary.bars)];
  const matters = new Map<string, OpenQuery>();
  const concern = (queries: readonly OpenQuery[], kinds?: readonly OpenQuery['kind'][]) => {
    for (const query of desk.open(queries)) if (!kinds || kinds.includes(query.kind)) matters.set(query.id, query);
  };
  let files = 0;
  if (recipe.score || recipe.pages) {
    const { summary } = yield* desk.converted();
    concern(summary.queries);
    const scored = scoreInWords(recipe, summary);
    words.push(...scored.words);
    files += scored.files;
  }
  if (recipe.midi) {
    const { summary } = yield* desk.sequenced();
    concern(summary.queries);
    for (const which of ['whole', 'parts', 'sections'] as const) {
      if (!recipe.midi[which]) continue;
      const out = yield* desk.midiFiles(recipe.midi, which === 'whole' ? 'one' : which);
      files += out.length;
      words.push(midiInWords(which, out));
    }
    if (summary.kind === 'midi' && desk.job.originals.length > 1)
      words.push(`Of ${many(desk.job.originals.length, 'original')} only the first MIDI file goes out as MIDI.`);
  }
  if (recipe.map) {
    files++;
    words.push(mapInWords(recipe.map));
  }
  if (recipe.lists) {
    const { tracks, times, queries } = recipe.lists;
    const all = [
      ...(tracks ? ['which track is what'] : []),
      ...(times ? [`every bar with its time and code at ${recipe.lists.rate} frames`] : []),
      ...(queries
        ? [`${many(desk.open(made.summary.queries).length, 'open query', 'open queries')} to be answered`]
        : []),
    ];
    files += all.length;
    words.push(`Lists: ${all.join('; ')}.`);
  }
  if (recipe.map || recipe.lists?.times) concern(made.summary.queries, OF_TIME);
  if (recipe.lists?.tracks) concern(made.summary.queries, OF_TRACKS);
  if (recipe.sound) {
    const { mix, stems, click, version } = recipe.sound;
    const parts = made.summary.parts.length;
    const all = [
      ...(mix || stems ? ['the mix'] : []),
      ...(stems ? [many(parts, 'stem')] : []),
      ...(click ? ['the click'] : []),
    ];
    files += (mix || stems ? 1 : 0) + (stems ? parts : 0) + (click ? 1 : 0);
    words.push(`Sound, as ${version}: ${all.join(', ')}, WAV at ${recipe.sound.sampleRate / 1000} kHz.`);
    if (version !== 'received') concern(made.summary.queries);
  }
  if (recipe.originals) {
    files += desk.job.originals.length;
    words.push(`The ${desk.job.originals.length === 1 ? 'original' : 'originals'} as received, untouched.`);
  }
  return {
    words,
    matters: [...matters.values()],
    parts: made.summary.parts.map(({ id, name }) => ({ id, name })),
    files,
  };
}

/** What concerns where bars are and how fast they go. */
const OF_TIME: OpenQuery['kind'][] = ['meter', 'no-bars', 'tempo-bends', 'pickup', 'endless-repeats', 'two-versions'];
/** What concerns who plays what. */
const OF_TRACKS: OpenQuery['kind'][] = [
  'unknown-instrument',
  'house-list',
  'duplicate-track',
  'mixed-channels',
  'players',
  'gather',
  'wrong-sounds',
];

function whereBarOneIs(bars: readonly Bar[]): string {
  const first = bars.findIndex(({ number: own }) => own === 1);
  const words = many(bars.length, 'bar');
  if (first < 0) return `${words}, counted from ${bars[0]?.number ?? 1}; none is bar 1.`;
  if (first === 0) return `${words}; bar 1 is the file’s first.`;
  return first === 1 && bars[0]!.implicit
    ? `${words} with a pickup before bar 1.`
    : `${words}; bar 1 is the file’s bar ${first + 1}.`;
}

function scoreInWords(recipe: Recipe, summary: Summary): { words: string[]; files: number } {
  const { score, pages, marks } = recipe;
  const parts = summary.parts.length;
  const words: string[] = [];
  if (score) {
    const what = [
      ...(score.whole ? [`a score of ${many(parts, 'part')}`] : []),
      ...(score.parts ? [`${many(parts, 'part')} one by one`] : []),
    ];
    const pitch = score.concert ? 'at concert pitch' : 'as players read it';
    words.push(
      `MusicXML ${score.version}${score.format === 'mxl' ? ', compressed' : ''}: ${what.join(' and ')}, ${pitch}, without layout.`,
    );
  }
  if (pages) {
    const what = [
      ...(pages.score ? ['the score'] : []),
      ...(pages.parts ? [`${many(parts, 'part')} one by one`] : []),
      ...(pages.allParts ? ['all parts in one file'] : []),
    ];
    words.push(
      `PDF on ${pages.paper === '9x12' ? '9 × 12 in' : pages.paper}: ${what.join(', ')}. Page turns are left to your notation program.`,
    );
  }
  words.push(marksInWords(marks, summary));
  return {
    words,
    files:
      (score ? Number(score.whole) + (score.parts ? parts : 0) : 0) +
      (pages ? Number(pages.score) + Number(pages.allParts) + (pages.parts ? parts : 0) : 0),
  };
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

/** What the job's own way has made, in a line for lists. */
export function sizeInWords(summary: Summary | SequenceSummary): string {
  return `${many(summary.parts.length, 'part')}, ${many(summary.bars.length, 'bar')}`;
}
