import { Fragment, type ReactNode } from 'react';
import { formatOf, plainFacts, type Facts, type MessageId } from '@/core/words';

/** Draws what stands between the marks of that name in a message. */
type Mark = (chunks: ReactNode) => ReactNode;

/** A message in words with parts that are drawn in their own way: `<b>12</b> notes`. */
export function sayRich<Id extends MessageId>(id: Id, facts: Facts<Id>, marks: Record<string, Mark>): ReactNode {
  const drawn = Object.fromEntries(Object.entries(marks).map(([name, mark]) => [name, keyed(mark)]));
  const made: unknown = formatOf(id).format<ReactNode>({ ...plainFacts(facts), ...drawn });
  return (Array.isArray(made) ? made : [made]).map((piece: ReactNode, i) => <Fragment key={i}>{piece}</Fragment>);
}

const keyed = (mark: Mark) => (chunks: ReactNode[]) =>
  mark(chunks.map((chunk, i) => <Fragment key={i}>{chunk}</Fragment>));
