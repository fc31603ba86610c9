import type { PartId } from '../base';
import type { JobSettings, MarkEdit, NoteEdit } from '../settings';
import { appended } from './records';

/** Settings with further changes to single notes of a part. */
export function edited(settings: JobSettings, part: PartId, edits: readonly NoteEdit[]): JobSettings {
  return { ...settings, edits: appended(settings.edits, part, edits) };
}

/** Settings with further marks set, or taken away, by hand. */
export function marked(settings: JobSettings, part: PartId, edits: readonly MarkEdit[]): JobSettings {
  return { ...settings, markEdits: appended(settings.markEdits, part, edits) };
}
