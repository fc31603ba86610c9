import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

/* The elements of the standard against what our reader names and what docs/formats.md says is passed over. */

const root = new URL('../../../', import.meta.url);
const text = (path: string) => readFileSync(new URL(path, root), 'utf8');

/** Every element of the W3C MusicXML 4.0 schema. */
const elements = [
  ...new Set(
    [...text('src/testing/schema/musicxml-4.0.xsd').matchAll(/<xs:element name="([^"]+)"/g)].map((m) => m[1]!),
  ),
];

/** Words in the literals and tables of the reader and the marks; a few names are put together there. */
function namedByReader(): ReadonlySet<string> {
  const inside = (folder: string) =>
    readdirSync(new URL(folder, root), { recursive: true, encoding: 'utf8' }).map((name) => `${folder}/${name}`);
  const files = [
    ...inside('src/core/musicxml/read'),
    ...inside('src/core/marks'),
    ...['score', 'marks', 'harmony'].map((name) => `src/core/score/${name}.ts`),
  ].filter((file) => file.endsWith('.ts') && !file.includes('.test.'));
  const source = files.map(text).join('\n');
  const literals = [...source.matchAll(/'([^'\n]*)'/g)].flatMap((m) => m[1]!.split(/[\s|]+/));
  const keys = [...source.matchAll(/^\s+'?([a-z][a-z-]+)'?: /gm)].map((m) => m[1]!);
  const joined = ['root', 'bass'].flatMap((prefix) => [`${prefix}-step`, `${prefix}-alter`]);
  const displays = ['part-name-display', 'part-abbreviation-display', 'display-text'];
  return new Set([...literals, ...keys, ...joined, ...displays, 'pf']);
}

/** The first column of the table in the documents. */
function documented(): string[] {
  const [, section = ''] = text('docs/formats.md').split('### What MusicXML has and we do not');
  const [table = ''] = section.split('\n## ');
  return table
    .split('\n')
    .filter((line) => line.startsWith('| `'))
    .flatMap((line) => [...line.split(' | ')[0]!.matchAll(/`([^`]+)`/g)].map((m) => m[1]!));
}

describe('the standard', () => {
  const read = namedByReader();
  const passedOver = documented();
  it('has no element that is neither read nor named as passed over', () => {
    expect(elements.length).toBeGreaterThan(400);
    const unknown = elements.filter((name) => !read.has(name) && !passedOver.includes(name));
    expect(unknown).toEqual([]);
  });
  it('has every element that is named as passed over, each once, and none that is read', () => {
    expect(passedOver.filter((name) => !elements.includes(name))).toEqual([]);
    expect(passedOver.filter((name, i) => passedOver.indexOf(name) !== i)).toEqual([]);
    expect(passedOver.filter((name) => read.has(name))).toEqual([]);
  });
});
