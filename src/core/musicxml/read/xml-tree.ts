import { SaxesParser } from 'saxes';
import { musicXmlErrors } from './errors';

/** An element with what stands in it. */
export interface XmlNode {
  name: string;
  attributes: Record<string, string>;
  children: XmlNode[];
  /** Text directly inside, white space at its ends taken off. */
  text: string;
  line: number;
}

/** Scores nest some fifteen deep. */
const DEEPEST = 64;

/**
 * Parses XML into a tree. Elements for which `take` says yes are handed over when they end and are not kept, so that a
 * long score never stands in memory as a whole.
 *
 * @throws MusicXmlError for what is no XML, declares entities, or nests without end
 */
export function parseDocument(text: string, take?: (node: XmlNode, ancestors: readonly XmlNode[]) => boolean): XmlNode {
  const parser = new SaxesParser({ position: true });
  const stack: XmlNode[] = [];
  let root: XmlNode | null = null;
  const path = () => stack.map((node) => node.name).join(' / ');
  parser.on('error', (error) => {
    const why = error.message.replace(/^\d+:\d+: /, '').replace(/\.$/, '');
    throw musicXmlErrors.notXml(why, parser.line, parser.column, path());
  });
  parser.on('doctype', (doctype) => {
    if (/<!ENTITY/i.test(doctype)) throw musicXmlErrors.entities(parser.line);
  });
  parser.on('opentag', (tag) => {
    const node: XmlNode = {
      name: tag.name,
      attributes: tag.attributes as Record<string, string>,
      children: [],
      text: '',
      line: parser.line,
    };
    if (stack.length >= DEEPEST) throw musicXmlErrors.tooDeep(parser.line, path());
    stack.at(-1)?.children.push(node);
    root ??= node;
    stack.push(node);
  });
  const addText = (more: string) => {
    const node = stack.at(-1);
    if (node && node.children.length === 0) node.text += more;
  };
  parser.on('text', addText);
  parser.on('cdata', addText);
  parser.on('closetag', () => {
    const node = stack.pop()!;
    node.text = node.text.trim();
    if (take?.(node, stack)) stack.at(-1)!.children.pop();
  });
  parser.write(text).close();
  if (!root) throw musicXmlErrors.empty();
  return root;
}

export function child(node: XmlNode | undefined, name: string): XmlNode | undefined {
  return node?.children.find((one) => one.name === name);
}

export function all(node: XmlNode | undefined, name: string): XmlNode[] {
  return node?.children.filter((one) => one.name === name) ?? [];
}

export function textOf(node: XmlNode | undefined, name: string): string | undefined {
  return child(node, name)?.text;
}

/** A number in a child element; undefined where there is none or it is no number. */
export function numberOf(node: XmlNode | undefined, name: string): number | undefined {
  const text = textOf(node, name);
  if (text === undefined || text === '') return undefined;
  const value = Number(text);
  return Number.isFinite(value) ? value : undefined;
}
