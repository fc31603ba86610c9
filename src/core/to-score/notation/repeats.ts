/*
 * Repeats: stretches of bars that are played again right away, over all parts at once.
 *
 * Takes an assembled score; gives the stretches that could be written once with repeat signs, the longest saving first:
 * all parts have the same notes, values and meters, the tempo does the same, and no tie leads over the seams. The last
 * bars may differ: first and second ending. Also which bars of a part are like the one or two before them.
 */
import type { Fold, Part, PartBar, Score } from '../../score';

/** Shorter stretches are read faster written out. */
const LEAST_BARS = 2;
/** Bars of an ending. */
export const MOST_ENDING = 4;
const MOST_BARS = 128;
/** An ending may not be more than this share of the stretch. */
const ENDING_SHARE = 0.34;

/** @param partCodes `codesOf` each part, when they are known already */
/** What repeats are found in. */
type Repeating = Pick<Score, 'bars' | 'keys' | 'tempos' | 'markers'> & { parts: readonly Part[] };

export function findRepeats(
  score: Repeating,
  partCodes: readonly (readonly string[])[] = score.parts.map(codesOf),
): Fold[] {
  const { codes, seams } = barCodes(score, partCodes);
  const n = codes.length;
  const candidates: Fold[] = [];
  for (let from = 0; from < n; from++) {
    if (!seams[from]) continue;
    for (let length = LEAST_BARS; length <= MOST_BARS && from + 2 * length <= n; length++) {
      if (!seams[from + length] || !seams[from + 2 * length]) continue;
      const same = alike(codes, from, from + length, length);
      const ending = length - same;
      const most = Math.min(MOST_ENDING, Math.floor(length * ENDING_SHARE));
      // Everything in silence, or one bar over and over, is no repeat to fold.
      if (ending > most || isMonotone(codes, from, length)) continue;
      if (ending > 0 && !seams[from + same]) continue;
      let times = 2;
      if (ending === 0)
        while (
          from + (times + 1) * length <= n &&
          seams[from + (times + 1) * length] &&
          alike(codes, from, from + times * length, length) === length
        )
          times++;
      candidates.push({ from, length, times, endings: ending });
    }
  }
  const saving = ({ length, times, endings }: Fold) => (length - endings) * (times - 1) - endings * 0.5;
  candidates.sort((a, b) => saving(b) - saving(a) || a.endings - b.endings || a.from - b.from);
  const chosen: Fold[] = [];
  for (const one of candidates)
    if (saving(one) >= LEAST_BARS && chosen.every((other) => end(one) <= other.from || end(other) <= one.from))
      chosen.push(one);
  return chosen.sort((a, b) => a.from - b.from);
}

const end = ({ from, length, times }: Fold) => from + length * times;

function alike(codes: readonly number[], a: number, b: number, length: number): number {
  let n = 0;
  while (n < length && codes[a + n] === codes[b + n]) n++;
  return n;
}

function isMonotone(codes: readonly number[], from: number, length: number): boolean {
  for (let i = 1; i < length; i++) if (codes[from + i] !== codes[from]) return false;
  return true;
}

/** Bars with the same contents have the same number; and before which bars no tie reaches over. */
function barCodes(score: Repeating, partCodes: readonly (readonly string[])[]): { codes: number[]; seams: boolean[] } {
  const keyAt = new Map(score.keys.filter(({ bar }) => bar > 0).map((key) => [key.bar, key.fifths]));
  const seams = Array<boolean>(score.bars.length + 1).fill(true);
  const known = new Map<string, number>();
  const codes = score.bars.map((bar, b) => {
    const within = ({ at }: { at: number }) => at >= bar.start && at < bar.start + bar.length;
    const tempos = score.tempos
      .filter((tempo) => within(tempo) && tempo.at > 0)
      .map((tempo) => `${tempo.at - bar.start}:${Math.round(tempo.bpm)}`);
    const markers = b > 0 ? score.markers.filter(within).map((marker) => marker.text) : [];
    for (const part of score.parts)
      if (part.bars[b]!.voices.some((voice) => voice.symbols[0]?.notes.some((note) => note.tieFromLast)))
        seams[b] = false;
    const contents = [
      bar.meter.beats,
      bar.meter.beatType,
      bar.length,
      keyAt.get(b) ?? '',
      tempos.join(),
      markers.join(),
      ...partCodes.map((part) => part[b]!),
    ].join('|');
    const code = known.get(contents) ?? known.size;
    known.set(contents, code);
    return code;
  });
  return { codes, seams };
}

/** What is written in each bar of a part, as a string; bars that read the same have the same. */
export function codesOf(part: Part): string[] {
  return part.bars.map(codeOf);
}

function codeOf(bar: PartBar): string {
  return bar.voices
    .map(
      (voice) =>
        `${voice.voice}[${voice.symbols.map((symbol) => `${symbol.at}.${symbol.duration}.${symbol.notes.map((note) => `${note.key}${note.tieToNext ? '~' : ''}`).join('+')}`).join(' ')}]`,
    )
    .join('');
}

/** Marks bars that are like the one before, or pairs of bars that are like the two before; silence is not repeated. */
export function withBarRepeats(part: Part, barLengths: readonly number[]): Part {
  const codes = part.bars.map((bar, b) => `${barLengths[b]}${codeOf(bar)}`);
  const tied = part.bars.map((bar, b) =>
    bar.voices.some((voice) =>
      voice.symbols.some(
        (symbol) =>
          (symbol.at === 0 && symbol.notes.some((note) => note.tieFromLast)) ||
          symbol.notes.some((note) => note.tieToNext && symbol.at + symbol.duration === barLengths[b]),
      ),
    ),
  );
  const silent = part.bars.map((bar) =>
    bar.voices.every((voice) => voice.symbols.every((symbol) => symbol.notes.length === 0)),
  );
  const like: (1 | 2 | 0 | undefined)[] = part.bars.map(() => undefined);
  for (let b = 1; b < codes.length; b++) {
    if (silent[b] || tied[b]) continue;
    if (codes[b] === codes[b - 1] && like[b - 1] !== 0) like[b] = 1;
    else if (
      b >= 3 &&
      codes[b - 1] === codes[b - 3] &&
      codes[b] === codes[b - 2] &&
      codes[b] !== codes[b - 1] &&
      !silent[b - 1] &&
      !tied[b - 1] &&
      like[b - 1] === undefined
    ) {
      like[b - 1] = 2;
      like[b] = 0;
    }
  }
  return { ...part, bars: part.bars.map((bar, b) => (like[b] === undefined ? bar : { ...bar, likeBefore: like[b] })) };
}
