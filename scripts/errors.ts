/*
 * Lists every sentence that is said when something cannot be done, in English and German: docs/errors.md.
 *
 * usage: tsx scripts/errors.ts     # writes it; a test fails when it is not what it would be
 */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import ts from 'typescript';
import { GERMAN } from '../src/core/words/de';
import { ENGLISH } from '../src/core/words/en';

const SOURCE = join(import.meta.dirname, '../src');
const FILE = join(import.meta.dirname, '../docs/errors.md');

/** Calls and properties whose text is said because something failed. */
const SAYS_FAILURE = /^(setFailure|onFailure|message\.error|fail|reject)$/;
const NAMES_FAILURE = /^(failure|broken|stopped|crashed|gone|notLoaded)$/;

function saysFailure(node: ts.Node): boolean {
  for (let at: ts.Node | undefined = node.parent; at; at = at.parent) {
    if (ts.isThrowStatement(at)) return true;
    if (ts.isNewExpression(at) && /Error$|EngineStopped/.test(at.expression.getText())) return true;
    if (ts.isCallExpression(at) && SAYS_FAILURE.test(at.expression.getText())) return true;
    if ((ts.isPropertyAssignment(at) || ts.isVariableDeclaration(at)) && NAMES_FAILURE.test(at.name.getText()))
      return true;
  }
  return false;
}

/** Ids of messages that a file says when something fails. */
function failuresIn(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(join(SOURCE, file), 'utf8'), ts.ScriptTarget.Latest, true);
  const found: string[] = [];
  const look = (node: ts.Node): void => {
    if (ts.isCallExpression(node) && node.expression.getText() === 'say') {
      const [id] = node.arguments;
      if (id && ts.isStringLiteral(id) && (/errors\.ts$/.test(file) || saysFailure(node))) found.push(id.text);
    }
    ts.forEachChild(node, look);
  };
  look(source);
  return found;
}

type Texts = Readonly<Record<string, Readonly<Record<string, string>>>>;
const textOf = (texts: Texts, id: string) => {
  const [area = '', name = ''] = id.split('.');
  return (texts[area]?.[name] ?? '').replaceAll('|', '\\|').replaceAll('<', '\\<');
};

/** The whole of docs/errors.md. */
export function errorTable(): string {
  const ids = readdirSync(SOURCE, { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\.|^testing|^cli|words\/..\//.test(file))
    .flatMap(failuresIn);
  const rows = [...new Set(ids)]
    .sort()
    .map((id) => `| ${id.split('.')[0]} | ${textOf(ENGLISH, id)} | ${textOf(GERMAN, id)} |`);
  return [
    '# What is said when something fails',
    '',
    'Written by `npm run errors`. Each sentence says what happened, what was kept where that is in question, and what to do',
    'now; words in braces are filled in. Pieces in small letters stand inside another sentence of this table.',
    '',
    '| area | English | German |',
    '|---|---|---|',
    ...rows,
    '',
  ].join('\n');
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) writeFileSync(FILE, errorTable());
