import type { Part, PartBar, Score } from '../score';
import { changesSignature } from '../signature-changes';
import { symbolsOf } from '../walk';
import { barIndexAt, type Bar } from '../../time';

export type BarStyle =
  | { kind: 'multiple-rest'; bars: number }
  | { kind: 'like-before'; type: 'start' | 'stop'; bars: number };

/** Where repeat signs for equal bars and rests over several bars begin and end, by bar index; beyond the last: at its end. */
export function barStyles(part: Part, score: Score, multiRests: boolean): ReadonlyMap<number, BarStyle[]> {
  const { bars } = part;
  const breaks = multiRests ? restBreaks(part, score) : new Set<number>();
  const styles = new Map<number, BarStyle[]>();
  const add = (bar: number, style: BarStyle) => styles.set(bar, [...(styles.get(bar) ?? []), style]);
  for (let b = 0; b < bars.length;) {
    const like = bars[b]!.likeBefore;
    const same = (bar: PartBar | undefined) =>
      bar?.likeBefore !== undefined && (like === 1 ? bar.likeBefore === 1 : bar.likeBefore !== 1);
    if (like) {
      let end = b;
      while (same(bars[end])) end++;
      add(b, { kind: 'like-before', type: 'start', bars: like });
      // What reaches the end of the part is closed behind its last bar: a sign left open goes on in the next part for some.
      add(end, { kind: 'like-before', type: 'stop', bars: like });
      b = end;
      continue;
    }
    let end = b;
    while (multiRests && end < bars.length && isEmpty(bars[end]!) && (end === b || !breaks.has(end))) end++;
    if (end - b > 1) add(b, { kind: 'multiple-rest', bars: end - b });
    b = Math.max(end, b + 1);
  }
  return styles;
}

function isEmpty(bar: PartBar): boolean {
  return bar.voices.every((voice) => voice.symbols.every((symbol) => symbol.wholeBar === true));
}

/** Bars before which a rest over several bars ends, because something a player needs is printed there. */
function restBreaks(part: Part, score: Score): Set<number> {
  const { bars, signs, keys, tempos, markers, swing } = score;
  const breaks = new Set<number>();
  const starts = bars.map(({ start }) => start);
  // What stands inside of a bar needs that bar for itself.
  const at = (place: number) => {
    const bar = barIndexAt(starts, place);
    breaks.add(bar);
    if (place > starts[bar]!) breaks.add(bar + 1);
  };
  for (const { start } of bars.filter(({ meter }, b) => changed(meter, bars[b - 1]?.meter))) at(start);
  keys.forEach((key, k) => {
    if (changesSignature(score, part, k)) at((starts[key.bar] ?? 0) + (key.at ?? 0));
  });
  for (const { at: place } of tempos.filter(({ shown, words }) => shown || words)) at(place);
  for (const { at: place } of markers) at(place);
  for (const { bar } of swing) breaks.add(bar);
  for (const bar of Object.keys(signs).map(Number)) breaks.add(bar).add(bar + 1);
  for (const { at: place } of part.harmonies ?? []) at(place);
  for (const { at: place } of part.lines.dynamics) at(place);
  for (const { bar, symbol } of symbolsOf(part)) if (symbol.marks?.words) at((starts[bar] ?? 0) + symbol.at);
  for (const { bar, at: place = 0 } of part.clefChanges) at((starts[bar] ?? 0) + place);
  for (const { bar } of part.transpositionChanges ?? []) breaks.add(bar);
  for (const bar of Object.keys(part.localMeters ?? {}).map(Number)) breaks.add(bar);
  return breaks;
}

const changed = (meter: Bar['meter'], before: Bar['meter'] | undefined) =>
  before?.beats !== meter.beats || before.beatType !== meter.beatType;
