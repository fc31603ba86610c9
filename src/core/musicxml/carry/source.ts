/* A score as it was received, as trees: what is carried is taken from there. */
import { textOfScore } from '../read/score-text';
import { all, child, parseDocument, type XmlNode } from '../read/xml-tree';

export interface SourcePart {
  declared: XmlNode;
  measures: XmlNode[];
}

export interface SourceScore {
  /** Of the first file: everything but parts. */
  head: XmlNode;
  /** In the order in which they are read. */
  parts: SourcePart[];
}

/** @param files of one piece, readable as MusicXML @throws MusicXmlError */
export function sourceOf(files: readonly Uint8Array[]): SourceScore {
  const roots = files.map((bytes) => partwise(parseDocument(textOfScore(bytes))));
  return {
    head: { ...roots[0]!, children: roots[0]!.children.filter(({ name }) => name !== 'part') },
    parts: roots.flatMap(partsOf),
  };
}

function partsOf(root: XmlNode): SourcePart[] {
  const declared = all(child(root, 'part-list'), 'score-part');
  const rank = new Map(declared.map((node, i) => [node.attributes.id ?? '', i]));
  const rankOf = (part: XmlNode) => rank.get(part.attributes.id ?? '') ?? declared.length;
  return all(root, 'part')
    .sort((a, b) => rankOf(a) - rankOf(b))
    .map((part) => ({
      declared: declared[rankOf(part)] ?? {
        name: 'score-part',
        attributes: {},
        children: [],
        text: '',
        line: part.line,
      },
      measures: all(part, 'measure'),
    }))
    .filter(({ measures }) => measures.length > 0);
}

/** Measures of parts become parts of measures. */
function partwise(root: XmlNode): XmlNode {
  if (root.name !== 'score-timewise') return root;
  const parts = new Map<string, XmlNode>();
  for (const measure of all(root, 'measure'))
    for (const own of all(measure, 'part')) {
      const id = own.attributes.id ?? '';
      const part = parts.get(id) ?? { name: 'part', attributes: { id }, children: [], text: '', line: own.line };
      parts.set(id, part);
      part.children.push({ ...own, name: 'measure', attributes: { ...measure.attributes } });
    }
  return {
    ...root,
    name: 'score-partwise',
    children: [...root.children.filter(({ name }) => name !== 'measure'), ...parts.values()],
  };
}
