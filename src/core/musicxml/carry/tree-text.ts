import { escapeXml } from '../../base';
import type { XmlNode } from '../read/xml-tree';

/** A tree as text, laid out as our own files are. */
export function treeText(node: XmlNode): string {
  return textAt(node, '');
}

function textAt({ name, attributes, children, text }: XmlNode, indent: string): string {
  let start = `${indent}<${name}`;
  for (const key in attributes) start += ` ${key}="${escapeXml(attributes[key]!)}"`;
  if (children.length === 0) return text === '' ? `${start}/>\n` : `${start}>${escapeXml(text)}</${name}>\n`;
  let all = `${start}>\n`;
  const deeper = `${indent}  `;
  for (const one of children) all += textAt(one, deeper);
  return `${all}${indent}</${name}>\n`;
}
