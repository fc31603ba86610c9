import type { Remedy } from '../queries';
import type { PartId } from '../score';
import type { Conversion, EndedNote, StaffNotes } from '../to-score';

export interface Reason {
  /** One sentence. */
  words: string;
  /** Decisions that would write it otherwise; none where nothing was chosen. */
  remedies: Remedy[];
}

/** A note on the page that is asked about. */
export interface Place {
  conversion: Conversion;
  part: PartId;
  /** Index of the part. */
  p: number;
  staff: StaffNotes;
  note: EndedNote;
  /** Bar index. */
  bar: number;
}
