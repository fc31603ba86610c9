import { say } from '../../words';
import { USUAL_MAP, type ListsWish, type MapWish, type Recipe } from '../../documents';
import { isForComposer, querySheetText, sheetLine, type OpenQuery } from '../../engine';
import type { StudioMapSettings } from '../../studio';
import type { DispatchDesk, Working } from '../dispatch-desk';
import { OF_TIME, type Draft } from '../draft';
import type { Task } from '../task';
import { tracksAsCsv, tracksOfScore, tracksOfSequence } from '../track-list';
import type { Deliverer } from './deliverer';
import { studioSettings } from './map';

const utf8 = new TextEncoder();

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

/** The table that goes with a map is laid out as the map is. */
const timesAs = ({ rate, start }: ListsWish, map: MapWish | null): StudioMapSettings =>
  studioSettings(map ?? { ...USUAL_MAP, rate, start });

function* tasks(desk: DispatchDesk, wish: ListsWish, { map }: Recipe): Generator<Working, Task[]> {
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
    ...(wish.tracks ? [file(say('dispatchCore.tracks'), 'csv', say('dispatchCore.whichTrackIsWhat'), tracks)] : []),
    ...(wish.times
      ? [file(say('dispatchCore.times'), 'csv', say('dispatchCore.everyBarAndChangeWithTimeAndTime'), times)]
      : []),
    ...(wish.queries
      ? [file(say('dispatchCore.queries'), 'txt', say('dispatchCore.openQueriesWithRoomForAnswers'), queries)]
      : []),
  ];
}

function* foretell(
  draft: Draft,
  { tracks, times, queries, rate }: ListsWish,
  { map }: Recipe,
): Generator<Working, void> {
  const { summary } = yield* draft.desk.made();
  const asked = summary.queries;
  const open = draft.desk.open(asked).filter(isForComposer).length;
  const what = [
    ...(tracks ? [say('dispatchCore.whichTrackIsWhat2')] : []),
    ...(times ? [say('dispatchCore.everyBarWithItsTimeAndCodeAtRate', { rate: map?.rate ?? rate })] : []),
    ...(queries ? [say('dispatchCore.queryForTheComposer', { open })] : []),
  ];
  draft.says(say('dispatchCore.listsWhat', { what: what.join('; ') }), what.length);
  if (times) draft.concern(asked, OF_TIME);
  if (tracks) draft.concern(asked, OF_TRACKS);
}

/** Lists: CSV for a spreadsheet, and text. */
export const lists: Deliverer<'lists'> = { tasks, foretell };
