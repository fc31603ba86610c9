import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

const folder = new URL('.', import.meta.url);
const SAID = new Set(['title', 'label', 'placeholder', 'aria-label', 'okText', 'cancelText', 'description', 'extra']);
const isText = (text: string) => /\p{L}{2}/u.test(text);

/** Texts that stand in a component itself: between its tags, or in an attribute that people read. */
function textsIn(name: string, code: string): string[] {
  const found: string[] = [];
  const look = (node: ts.Node): void => {
    if (ts.isJsxText(node) && isText(node.text)) found.push(node.text.trim());
    if (ts.isJsxAttribute(node) && SAID.has(node.name.getText()) && node.initializer) {
      const { initializer } = node;
      const value = ts.isJsxExpression(initializer) ? initializer.expression : initializer;
      if (value && ts.isStringLiteralLike(value) && isText(value.text)) found.push(value.text);
      if (value && ts.isTemplateExpression(value) && isText(value.head.text)) found.push(value.getText());
    }
    ts.forEachChild(node, look);
  };
  look(ts.createSourceFile(name, code, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX));
  return found;
}

/** Keys as they are printed on keyboards, and the name of this application. */
const NOT_TRANSLATED = new Set(['Dragoman', 'Ctrl', 'Shift', 'Alt', 'Enter', 'Esc', 'Home', 'End']);

/** Texts said while a file is read: they would stay in the language of that moment. */
function frozenIn(name: string, code: string): string[] {
  const found: string[] = [];
  const look = (node: ts.Node): void => {
    if (ts.isFunctionLike(node)) return;
    if (ts.isCallExpression(node) && /^say(Rich)?$/.test(node.expression.getText())) found.push(node.getText());
    ts.forEachChild(node, look);
  };
  look(ts.createSourceFile(name, code, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX));
  return found;
}

const whole = new URL('..', import.meta.url);

describe('texts anywhere', () => {
  it('are said when they are needed, in the language of then', () => {
    const frozen = readdirSync(fileURLToPath(whole), { recursive: true, encoding: 'utf8' })
      .filter((file) => /\.tsx?$/.test(file) && !file.includes('.test.'))
      .flatMap((file) => frozenIn(file, readFileSync(new URL(file, whole), 'utf8')).map((text) => `${file}: ${text}`));
    expect(frozen).toEqual([]);
  });
  it('are found where they would stay as they are', () => {
    const code =
      "const A = say('x.a'); const b = () => say('x.b'); const C = { get c() { return say('x.c'); }, d: [say('x.d')] };";
    expect(frozenIn('a.ts', code)).toEqual(["say('x.a')", "say('x.d')"]);
  });
});

describe('texts of the screens', () => {
  it('all stand in the catalogue', () => {
    const outside = readdirSync(fileURLToPath(folder), { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('.tsx') && !file.includes('.test.'))
      .flatMap((file) => textsIn(file, readFileSync(new URL(file, folder), 'utf8')).map((text) => ({ file, text })))
      .filter(({ text }) => !NOT_TRANSLATED.has(text));
    expect(outside).toEqual([]);
  });
  it('are found where they stand in a component', () => {
    expect(textsIn('a.tsx', '<p title="Two words">Text <b>{say("x.y")}</b> {`${n}`}</p>')).toEqual([
      'Two words',
      'Text',
    ]);
  });
});
