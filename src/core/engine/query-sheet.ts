/* Queries as a sheet for somebody else to answer: by number, with their places, as plain text. */
import { say } from '../words';
import type { OpenQuery } from '../queries';
import { barBeat, beatInWords, type Bar, type WrittenUnits } from '../time';

/** What only whoever prepares the files can answer: how it is written and carried, not what was meant. */
const NOT_FOR_COMPOSERS: ReadonlySet<OpenQuery['kind']> = new Set<OpenQuery['kind']>([
  'file',
  'empty-track',
  'mixed-channels',
  'house-list',
  'short-rest',
  'merged',
  'off-grid',
  'audit',
  'staves',
  'many-sounds',
  'bar-repeats',
  'one-drum',
  'unmapped-drum',
  'repeat',
  'key-signature',
  'received-spelling',
  'received-transposition',
  'received-percussion',
  'wrong-sounds',
  'silent-drums',
  'jumping-faders',
  'between-ticks',
  'silent-techniques',
  'several-ports',
]);

export const isForComposer = ({ kind }: OpenQuery): boolean => !NOT_FOR_COMPOSERS.has(kind);

export interface SheetLine {
  /** Part, bar and beat, as far as the query has them. */
  where: string;
  question: string;
}

/** @param names of parts by id */
export function sheetLine(
  { message, part, at, bar, parts = [] }: OpenQuery,
  bars: readonly Bar[],
  nameOf: (part: string) => string,
): SheetLine {
  const whose = parts.length > 1 ? parts : [part].filter((one) => one !== undefined);
  const where = [...whose.map(nameOf), ...placeOf(bars, at, bar)].join(', ') || say('engine.thePieceAsAWhole');
  return { where, question: withoutPlace(message, where) };
}

function placeOf(bars: readonly Bar[], at: WrittenUnits | undefined, bar: number | undefined): string[] {
  if (at !== undefined) {
    const place = barBeat(bars, at);
    return [say('engine.barBar', { bar: place.bar }), beatInWords(place.beat)];
  }
  return bar !== undefined && bars[bar] ? [say('engine.barBars', { bars: bars[bar].number })] : [];
}

/** The sentence alone, where it begins with its place. */
function withoutPlace(message: string, where: string): string {
  if (!message.startsWith(`${where}: `)) return message;
  const rest = message.slice(where.length + 2);
  return rest[0]!.toUpperCase() + rest.slice(1);
}

/** With room for answers. */
export function querySheetText(title: string, lines: readonly SheetLine[]): string {
  const blank = '   Answer: ' + '_'.repeat(60);
  const entries = lines.map(({ where, question }, i) => `${i + 1}. ${where}\n   ${question}\n\n${blank}\n`);
  return [say('engine.titleQueries', { title }), '', ...entries].join('\n');
}
