import type { Casting } from '../casting';
import type { Performance } from '../performance';
import type { Score } from '../score';
import type { ConversionSettings } from '../settings';
import type { Bar } from '../time';
import type { Memo } from '../base/stage';
import type { BeatLine } from './timing/beats';

/** What every phase knows of the piece. */
export interface Piece {
  performance: Performance;
  /** The score it was made of, its notes named as the performance's; null for music that was played in. */
  received: Score | null;
  /** Steady: what says the same as in the last conversion is the same object. */
  settings: ConversionSettings;
  casting: Casting;
  /** One bar more than was played in. */
  laid: readonly Bar[];
  line: BeatLine;
  memo: Memo;
}
