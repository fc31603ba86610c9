import type { Attributes } from '../../marks';
import type { XmlNode } from '../read/xml-tree';
import type { MusicXmlVersion } from './write';
import type { XmlSink } from './xml-writer';

/** Builds what the text would be read as, for what is still to be put into it. */
export class TreeWriter implements XmlSink {
  private readonly top: XmlNode = node('', {}, '');
  private readonly stack: XmlNode[] = [this.top];

  constructor(readonly version: MusicXmlVersion) {}

  open(name: string, attributes: Attributes = {}): this {
    const opened = node(name, attributes, '');
    this.stack.at(-1)!.children.push(opened);
    this.stack.push(opened);
    return this;
  }

  close(_name: string): this {
    this.stack.pop();
    return this;
  }

  leaf(name: string, text?: string | number | null, attributes: Attributes = {}): this {
    const said = text === undefined || text === null ? '' : String(text).trim();
    this.stack.at(-1)!.children.push(node(name, attributes, said));
    return this;
  }

  get root(): XmlNode {
    return this.top.children[0]!;
  }
}

function node(name: string, given: Attributes, text: string): XmlNode {
  const attributes: Record<string, string> = {};
  for (const key in given) if (given[key] !== undefined) attributes[key] = String(given[key]);
  return { name, attributes, children: [], text, line: 0 };
}
