import type { Part, PartBar } from '../../score';
import type { BarStyle } from './attributes';

/** Where repeat signs for equal bars and rests over several bars begin and end, by bar index. */
export function barStyles({ bars }: Part, multiRests: boolean): ReadonlyMap<number, BarStyle[]> {
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
      if (end < bars.length) add(end, { kind: 'like-before', type: 'stop', bars: like });
      b = end;
      continue;
    }
    let end = b;
    while (multiRests && end < bars.length && isEmpty(bars[end]!)) end++;
    if (end - b > 1) add(b, { kind: 'multiple-rest', bars: end - b });
    b = Math.max(end, b + 1);
  }
  return styles;
}

function isEmpty(bar: PartBar): boolean {
  return bar.voices.every((voice) => voice.symbols.every((symbol) => symbol.wholeBar === true));
}
