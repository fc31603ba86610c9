import { escapeXml } from '../../base';
import type { Attributes, MarkElement } from '../../marks';
import type { MusicXmlVersion } from './write';

const INDENTS: string[] = [];

/** What music is written into: elements that open and close, and leaves. */
export interface XmlSink {
  /** The standard's version: elements that came later are left out, or written as their elders. */
  readonly version: MusicXmlVersion;
  open(name: string, attributes?: Attributes): this;
  close(name: string): this;
  /** One element with text, or an empty one. */
  leaf(name: string, text?: string | number | null, attributes?: Attributes): this;
}

/** Builds XML text line by line. Names come from us, text and attribute values are escaped. */
export class XmlWriter implements XmlSink {
  private readonly lines: string[] = [];
  private depth = 0;

  constructor(
    declaration: string,
    doctype?: string,
    readonly version: MusicXmlVersion = '3.0',
  ) {
    this.lines.push(declaration);
    if (doctype) this.lines.push(doctype);
  }

  open(name: string, attributes: Attributes = {}): this {
    this.lines.push(`${this.indent()}<${name}${attributeText(attributes)}>`);
    this.depth++;
    return this;
  }

  close(name: string): this {
    this.depth--;
    // One in which nothing stands is written as a leaf.
    const last = this.lines.length - 1;
    const opening = this.lines[last]!;
    if (opening.startsWith(`${this.indent()}<${name}`) && !opening.endsWith('/>') && !opening.includes('</')) {
      this.lines[last] = `${opening.slice(0, -1)}/>`;
      return this;
    }
    this.lines.push(`${this.indent()}</${name}>`);
    return this;
  }

  leaf(name: string, text?: string | number | null, attributes: Attributes = {}): this {
    const start = `${this.indent()}<${name}${attributeText(attributes)}`;
    this.lines.push(
      text === undefined || text === null ? `${start}/>` : `${start}>${escapeXml(String(text))}</${name}>`,
    );
    return this;
  }

  toString(): string {
    return this.lines.join('\n') + '\n';
  }

  private indent(): string {
    return (INDENTS[this.depth] ??= '  '.repeat(this.depth));
  }
}

/** Whether a version of the standard has anything for an element. */
export function canWrite({ since, before }: MarkElement, version: MusicXmlVersion): boolean {
  return !since || version >= since || (before !== undefined && canWrite(before, version));
}

/** A mark's element with what stands in it. */
export function writeElement(xml: XmlSink, element: MarkElement): void {
  const { name, text, attributes, children, since, before } = element;
  if (since && xml.version < since) {
    if (before) writeElement(xml, before);
    return;
  }
  if (!children) {
    xml.leaf(name, text, attributes);
    return;
  }
  xml.open(name, attributes);
  for (const one of children) writeElement(xml, one);
  xml.close(name);
}

function attributeText(attributes: Attributes): string {
  let text = '';
  for (const name in attributes)
    if (attributes[name] !== undefined) text += ` ${name}="${escapeXml(String(attributes[name]))}"`;
  return text;
}
