import { settingsOf, type Ledger } from '../core/documents';
import { putTogether } from '../core/engine/prepare';
import type { Performance } from '../core/performance';
import { toScore, type Conversion } from '../core/to-score';

/** Performances with a ledger's decisions. */
export function replay(performances: readonly Performance[], ledger: Ledger): Conversion {
  const settings = settingsOf(ledger);
  return toScore(putTogether(performances, settings), settings);
}
