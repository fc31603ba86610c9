/*
 * Doubts about the page: chords no hand can hold, keys without a place in the drum map, stretches that could be
 * repeats, and places where the notes leave the key that is printed.
 */
import { say } from '../../words';
import { few, queryId, queryIdOf } from '../../base';
import type { CastPart } from '../../casting';
import type { KeyChange, Query, SilentKey } from '../../queries';
import { keyName, type Fold, type ScoreKey, type Tablature } from '../../score';
import { placeInWords, barIndexAt, type Bar, type MidiKey, type WrittenUnits } from '../../time';
import { ONE_KIND } from '../layout/drum-places';
import type { Fretting } from '../notation/fretting';
import type { GridChoice } from '../timing/grid';
import type { BarKey } from '../pitch/keys';
import { nearestSounds, type PartDrums } from '../layout/part-drums';

/** A key must be left for so many bars before it is asked about. */
const BARS_OF_ANOTHER_KEY = 8;

function words(name: string, bars: readonly Bar[], at: WrittenUnits): string {
  return `${name}, ${placeInWords(bars, at)}`;
}

const barOf = (bars: readonly Bar[], at: WrittenUnits) =>
  barIndexAt(
    bars.map((bar) => bar.start),
    at,
  );

export function frettingQueries(
  part: CastPart,
  { impossible }: Fretting,
  tablature: Tablature | null,
  bars: readonly Bar[],
): Query[] {
  const [first] = impossible;
  if (!first || !tablature) return [];
  const more = impossible.length - 1;
  return [
    {
      id: queryId(`impossible-chord/${part.id}`),
      kind: 'impossible-chord',
      part: part.id,
      at: first.at,
      bar: barOf(bars, first.at),
      played: first.notes,
      message: say('doubts.wordsNotesNotesThatNoHandCanHoldOn', {
        words: words(part.name, bars, first.at),
        notes: first.notes.length,
        more,
      }),
      facts: { tuning: tablature.tuning, capo: tablature.capo },
    },
  ];
}

/** Two drums of one kind that a kit has on two keys. */
export function layeredDrumQueries(
  part: CastPart,
  grid: GridChoice,
  { map }: PartDrums,
  bars: readonly Bar[],
): Query[] {
  return ONE_KIND.flatMap(({ keys: [key, other], name }): Query[] => {
    const [first, second] = [map.get(key), map.get(other)];
    const struck = grid.notes.filter((note) => note.key === other);
    if (
      !first ||
      !second ||
      struck.length === 0 ||
      first.step !== second.step ||
      first.octave !== second.octave ||
      !grid.notes.some((note) => note.key === key)
    )
      return [];
    const { start } = struck[0]!;
    return [
      {
        id: queryId(`one-drum/${part.id}/${key}`),
        kind: 'one-drum',
        part: part.id,
        at: start,
        bar: barOf(bars, start),
        played: struck.map((note) => note.id),
        message: say('doubts.wordsKeysKeyAndOtherAreBothAName', {
          words: words(part.name, bars, start),
          key,
          other,
          name,
        }),
        facts: { key, other },
      },
    ];
  });
}

/** Keys a percussion part strikes that its map does not have: one query for the part. */
export function drumQueries(
  part: CastPart,
  grid: GridChoice,
  { map, unmapped }: PartDrums,
  bars: readonly Bar[],
): Query[] {
  if (unmapped.length === 0) return [];
  const silent = new Set(unmapped);
  const struck = part.notes.filter(({ key }) => silent.has(key)).map(({ id }) => id);
  const ids = new Set(struck);
  // The stroke itself may be part of a roll or a flam on another one.
  const first =
    grid.notes.find(({ id, absorbed, behind = [] }) => [id, ...absorbed, ...behind].some((one) => ids.has(one))) ??
    grid.notes[0]!;
  const keys = unmapped.map((key: MidiKey) => ({
    key,
    near: nearestSounds(map, key, unmapped).map((sound) => ({ key: sound.key, name: sound.name })),
  }));
  return [
    {
      id: queryIdOf(`unmapped-drum/${part.id}`, unmapped),
      kind: 'unmapped-drum',
      part: part.id,
      at: first.start,
      bar: barOf(bars, first.start),
      played: struck,
      message: `${words(part.name, bars, first.start)}: ${unmappedInWords(keys, struck.length)}.`,
      facts: { keys },
    },
  ];
}

function unmappedInWords(keys: readonly SilentKey[], strokes: number): string {
  const times = strokes > 1 ? strokes : 0;
  const { key, near } = keys[0]!;
  if (keys.length === 1)
    return say('doubts.keyKeyIsNotInTheDrumMapTimesNear0', {
      key,
      times,
      near0: Boolean(near[0]),
      key2: near[0]?.key,
      near: near[0]?.name,
    });
  const named = keys.map((one) => String(one.key));
  return say('doubts.keysFewAreNotInTheDrumMapTimes', { few: few(named, ', '), times });
}

export function repeatQueries(found: readonly Fold[], taken: readonly Fold[], bars: readonly Bar[]): Query[] {
  const free = found.filter((one) =>
    taken.every(
      (other) => one.from + one.length * one.times <= other.from || other.from + other.length * other.times <= one.from,
    ),
  );
  return free.map(({ from, length, times, endings }): Query => {
    const number = (b: number) => bars[b]!.number;
    const last = from + length * times - 1;
    const again =
      times > 2
        ? say('doubts.timesTimesInARowUpToBarLast', { times, last: number(last) })
        : say('doubts.againAsFromLast', { from: number(from + length), last: number(last) });
    return {
      id: queryId(`repeat/${from}/${length}/${times}`),
      kind: 'repeat',
      at: bars[from]!.start,
      bar: from,
      message: say('doubts.barsFromFrom2ComeAgainInAllParts', {
        from: number(from),
        from2: number(from + length - 1),
        again,
        ending: endings,
      }),
      facts: { from, length, times, endings },
    };
  });
}

/**
 * Long stretches in another key than the one printed there, as one query. Where nobody set a key, signatures follow the
 * notes already.
 */
export function keyChangeQueries(
  keys: readonly ScoreKey[],
  barKeys: readonly BarKey[],
  bars: readonly Bar[],
  stated: boolean,
): Query[] {
  if (!stated) return [];
  const stretches = otherKeys(keys, barKeys, bars);
  const [first] = stretches;
  if (!first) return [];
  const from = first.heard.bar;
  const number = (bar: number) => bars[bar]!.number;
  const more = stretches.length - 1;
  return [
    {
      id: queryIdOf(
        'key-change',
        stretches.map(({ heard }) => heard.bar),
      ),
      kind: 'key-change',
      at: bars[from]!.start,
      bar: from,
      message: say('doubts.barsFromLastSoundLikeKeyNameThe', {
        from: number(from),
        last: number(first.last),
        keyName: keyName(first.heard),
        keyName2: keyName(first.printed),
        more,
      }),
      facts: { stretches: stretches.map(({ heard, back }) => ({ heard, back })) },
    },
  ];
}

type OtherKey = KeyChange['facts']['stretches'][number] & { last: number; printed: ScoreKey };

function otherKeys(keys: readonly ScoreKey[], barKeys: readonly BarKey[], bars: readonly Bar[]): OtherKey[] {
  const printed = bars.map((bar) => keys.findLast((key) => key.bar <= bar.index)!);
  const found: OtherKey[] = [];
  for (let from = 0; from < bars.length;) {
    const { fifths, mode } = barKeys[from]!;
    const here = printed[from]!;
    let to = from;
    while (to < bars.length && barKeys[to]!.fifths === fifths && printed[to]!.fifths === here.fifths) to++;
    if (to - from >= BARS_OF_ANOTHER_KEY && fifths !== here.fifths && from > 0)
      found.push({
        heard: { fifths, mode, bar: from },
        back: to < bars.length ? { fifths: here.fifths, mode: here.mode, bar: to } : null,
        last: to - 1,
        printed: here,
      });
    from = Math.max(to, from + 1);
  }
  return found;
}
