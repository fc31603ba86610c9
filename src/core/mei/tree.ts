/* Elements of MEI (Music Encoding Initiative, version 5) as a tree, and their text. */
import { escapeXml } from '../base';

export type MeiAttributes = Readonly<Record<string, string | number | undefined>>;

export interface MeiNode {
  name: string;
  attributes: MeiAttributes;
  children: (MeiNode | string)[];
}

export type Child = MeiNode | string | false | null | undefined | readonly Child[];

/** An element; children that are none are left out. */
export function mei(name: string, attributes: MeiAttributes = {}, ...children: Child[]): MeiNode {
  return { name, attributes, children: flat(children) };
}

function flat(children: readonly Child[]): (MeiNode | string)[] {
  return children.flatMap((child): (MeiNode | string)[] => {
    if (child === null || child === undefined || child === false) return [];
    if (Array.isArray(child)) return flat(child);
    // oxlint-disable-next-line typescript/no-unsafe-type-assertion
    return [child as MeiNode | string];
  });
}

/** @returns without line breaks inside of elements that hold text: they would be printed */
export function meiText(node: MeiNode): string {
  const parts: string[] = [];
  write(node, parts);
  return parts.join('');
}

function write({ name, attributes, children }: MeiNode, into: string[]): void {
  into.push(`<${name}`);
  for (const key in attributes)
    if (attributes[key] !== undefined) into.push(` ${key}="${escapeXml(String(attributes[key]))}"`);
  if (children.length === 0) {
    into.push('/>');
    return;
  }
  const breaks = children.every((child) => typeof child !== 'string') && !INLINE.has(name);
  into.push('>');
  for (const child of children) {
    if (breaks) into.push('\n');
    if (typeof child === 'string') into.push(escapeXml(child));
    else write(child, into);
  }
  into.push(`${breaks ? '\n' : ''}</${name}>`);
}

/** What mixes text and elements. */
const INLINE = new Set(['tempo', 'dir', 'reh', 'harm', 'dynam', 'rend', 'syl', 'label', 'labelAbbr', 'fing', 'pgHead']);

/** Children that are there, without those that are none. */
export const nodesOf = (...children: Child[]): MeiNode[] =>
  flat(children).filter((child): child is MeiNode => typeof child !== 'string');
