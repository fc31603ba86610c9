import { child, type XmlNode } from '../read/xml-tree';
import { samePlace, type PlacedMeasure } from './placed';

/** Elements on their way into a measure: put where something begins at their place, else reached by going back and forth. */
export class Insertions {
  private readonly waiting: { node: XmlNode; at: number }[] = [];
  private readonly before: XmlNode[] = [];
  private readonly after: XmlNode[] = [];

  constructor(private readonly to: { measure: XmlNode; found: PlacedMeasure }) {}

  put(node: XmlNode, at: number): void {
    this.waiting.push({ node, at });
  }

  first(node: XmlNode): void {
    this.before.push(node);
  }

  last(node: XmlNode): void {
    this.after.push(node);
  }

  done(): void {
    const { measure, found } = this.to;
    const starts = new Map<XmlNode, XmlNode[]>();
    for (const { node, at } of this.waiting) {
      const note = found.notes.find((one) => samePlace(one.at, at) && !child(one.node, 'chord'));
      if (note) starts.set(note.node, [...(starts.get(note.node) ?? []), node]);
      else this.after.unshift(...reached(node, at, found));
    }
    const children = measure.children.flatMap((one) => [...(starts.get(one) ?? []), one]);
    const end = children.findLastIndex(({ name }) => name === 'barline');
    const closes = end >= 0 && (children[end]!.attributes.location ?? 'right') === 'right' ? end : children.length;
    const opens = children[0]?.name === 'print' ? 1 : 0;
    measure.children = [
      ...children.slice(0, opens),
      ...this.before,
      ...children.slice(opens, closes),
      ...this.after,
      ...children.slice(closes),
    ];
  }
}

/** An element at a place where nothing begins. */
function reached(node: XmlNode, at: number, { end, divisions }: PlacedMeasure): XmlNode[] {
  const away = Math.round((end - at) * divisions);
  const go = (name: string): XmlNode => ({
    name,
    attributes: {},
    children: [{ name: 'duration', attributes: {}, children: [], text: String(Math.abs(away)), line: 0 }],
    text: '',
    line: 0,
  });
  if (away === 0) return [node];
  return away > 0 ? [go('backup'), node, go('forward')] : [go('forward'), node, go('backup')];
}
