import { escapeXml } from '../write/xml-writer';
import type { XmlNode } from '../read/xml-tree';

/** A tree as text, laid out as our own files are. @param depth of its first line */
export function treeText(node: XmlNode, depth = 0): string {
  const lines: string[] = [];
  const put = ({ name, attributes, children, text }: XmlNode, level: number): void => {
    const indent = '  '.repeat(level);
    const said = Object.entries(attributes).map(([key, value]) => ` ${key}="${escapeXml(value)}"`);
    const start = `${indent}<${name}${said.join('')}`;
    if (children.length > 0) {
      lines.push(`${start}>`);
      for (const one of children) put(one, level + 1);
      lines.push(`${indent}</${name}>`);
    } else lines.push(text === '' ? `${start}/>` : `${start}>${escapeXml(text)}</${name}>`);
  };
  put(node, depth);
  return lines.join('\n') + '\n';
}
