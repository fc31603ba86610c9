import { NO_CHOICES } from '../../settings';
import type { Bar } from '../../time';
import type { MarkedPart } from '../marks/mark-parts';
import type { Piece } from '../piece';
import type { Swing } from '../timing/swing';
import type { PartAudit } from './audit';
import * as stages from './stages';

/** A part that was held against what was played. */
export interface AuditedPart extends MarkedPart {
  audit: PartAudit;
}

export function auditParts(
  { performance: { tempo }, settings, line, memo }: Piece,
  parts: readonly MarkedPart[],
  bars: readonly Bar[],
  swing: Swing,
): AuditedPart[] {
  return parts.map((one) => {
    const { part, written, grid, taken } = one;
    const { id } = part;
    const decided = {
      edits: settings.edits[id] ?? NO_CHOICES,
      pins: settings.grids[id] ?? NO_CHOICES,
      model: settings.doubles[id],
    };
    const inputs = { part, written, grid, taken, confirmed: settings.leads, ...decided, bars, line, swing, tempo };
    return { ...one, audit: memo.run(stages.audited, inputs, id) };
  });
}
