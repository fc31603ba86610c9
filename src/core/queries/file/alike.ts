import { say } from '../../words';
import { groupBy, queryId, type PartId, type TrackId } from '../../base';
import type { WrittenUnits } from '../../time';
import type { File } from './file';

/** Something odd that was read over. */
export interface ReadWarning {
  /** Tells it from others of its sentence in this job. */
  id: string;
  message: string;
  track?: TrackId;
  part?: PartId;
  bar?: number;
  at?: WrittenUnits;
}

/** What several warnings of one cause have in common: the beginnings of their words, without numbers and names. */
function causeOf({ message }: ReadWarning): string {
  const place = /^[^:]{1,100}\d[^:]{0,20}: /.exec(message)?.[0] ?? '';
  return (
    message
      .slice(place.length)
      .replace(/“[^”]*”|„[^“]*“/g, '“”')
      .replace(/\d[\d.,]*/g, '0')
      // One note, two notes: in any language most words begin alike.
      .replace(/(\p{L}{4})\p{L}+/gu, '$1')
  );
}

/** One query for each cause, at its first place. */
export function fileQueries(warnings: readonly ReadWarning[]): File[] {
  return [...groupBy(warnings, causeOf).values()].map((alike): File => {
    const { id, message, ...place } = alike[0]!;
    const more = alike.length - 1;
    return {
      ...place,
      id: queryId(more > 0 ? `${id}/and ${more} more` : id),
      kind: 'file',
      message: more > 0 ? say('queries.messageAndMoreMoreOfThisKind', { message, more }) : message,
    };
  });
}
