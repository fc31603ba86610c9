/* A score with its tempos, markers and bar numbers as people mended them; its meters are the score's own. */
import type { TimeLineEdit } from '../../performance';
import type { Score, TempoMark } from '../../score';
import { rampSteps } from '../../time';

export function mendedScore(score: Score, edits: readonly TimeLineEdit[]): Score {
  return edits.reduce(mended, score);
}

function mended(score: Score, edit: TimeLineEdit): Score {
  switch (edit.kind) {
    case 'tempo': {
      const there = score.tempos.find(({ at }) => at === edit.at);
      const others = score.tempos.filter(({ at }) => at !== edit.at);
      if (edit.bpm === null) return edit.at === 0 ? score : { ...score, tempos: others };
      const words = there?.words === undefined ? {} : { words: there.words };
      return withTempos(score, [...others, { at: edit.at, bpm: edit.bpm, shown: true, ...words }]);
    }
    case 'ramp': {
      const others = score.tempos.filter(({ at }) => at < edit.from || at > edit.to);
      const ramp = rampSteps(edit.from, edit.to, edit.start, edit.end).map(({ at, bpm }, i, all): TempoMark => ({
        at: Math.round(at),
        bpm,
        shown: i === all.length - 1,
      }));
      return withTempos(score, [...others, ...ramp]);
    }
    case 'marker': {
      const others = score.markers.filter(
        ({ at, text }) => at !== edit.at || (edit.was !== undefined && text !== edit.was),
      );
      const added = edit.text === null ? [] : [{ at: edit.at, text: edit.text, rehearsal: false }];
      return { ...score, markers: [...others, ...added].sort((a, b) => a.at - b.at) };
    }
    case 'number':
      return { ...score, bars: numbered(score.bars, edit) };
    case 'meters':
    case 'barlines':
      return score;
  }
}

function withTempos(score: Score, tempos: TempoMark[]): Score {
  return { ...score, tempos: tempos.sort((a, b) => a.at - b.at) };
}

function numbered(bars: Score['bars'], { at, number }: Extract<TimeLineEdit, { kind: 'number' }>): Score['bars'] {
  const from = bars.findIndex((bar) => bar.start === at);
  if (from < 0) return bars;
  const before = bars[from - 1]?.number ?? (bars[0]!.implicit ? -1 : 0);
  const first = number ?? before + 1;
  return bars.map((bar, i) => (i < from ? bar : { ...bar, number: first + i - from }));
}
