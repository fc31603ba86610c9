import { readdirSync, readFileSync } from 'node:fs';
import { TYPE } from '@formatjs/icu-messageformat-parser';
import { IntlMessageFormat } from 'intl-messageformat';
import { describe, expect, it } from 'vitest';
import { ENGLISH } from './en';
import { GERMAN } from './de';
import { say, type MessageId } from './say';

const textsOf = (catalogue: Readonly<Record<string, Readonly<Record<string, string>>>>) =>
  Object.entries(catalogue).flatMap(([area, texts]) =>
    Object.entries(texts).map(([name, text]) => ({ id: `${area}.${name}` as MessageId, text })),
  );
const messages = textsOf(ENGLISH);

/** Names and kinds of what stands in the braces and between the marks of a text, in alphabetical order. */
function factsIn(text: string, language: string): string {
  const found = new Set<string>();
  const look = (elements: ReturnType<IntlMessageFormat['getAst']>): void => {
    for (const element of elements) {
      if (element.type === TYPE.literal || element.type === TYPE.pound) continue;
      const mark = element.type === TYPE.tag ? 'mark' : '';
      found.add(`${element.type === TYPE.plural ? 'counted' : mark} ${element.value}`);
      if ('options' in element) for (const { value } of Object.values(element.options)) look(value);
      if ('children' in element) look(element.children);
    }
  };
  look(new IntlMessageFormat(text, language).getAst());
  return [...found].sort().join();
}

describe('the catalogue', () => {
  it('has texts that can be read, none of them empty or with spaces at its ends by mistake', () => {
    for (const { id, text } of messages) {
      expect(() => new IntlMessageFormat(text, 'en'), id).not.toThrow();
      expect(text.trim(), id).not.toBe('');
    }
  });
  it('takes the same facts in every language, and counts with them where English does', () => {
    const german = new Map(textsOf(GERMAN).map(({ id, text }) => [id, text]));
    const unlike = messages.filter(({ id, text }) => factsIn(text, 'en') !== factsIn(german.get(id)!, 'de'));
    expect(unlike.map(({ id }) => id)).toEqual([]);
  });
  it('has no text that nothing says', () => {
    const source = new URL('../..', import.meta.url);
    const said = new Set(
      readdirSync(source, { recursive: true, encoding: 'utf8' })
        .filter((file) => /\.tsx?$/.test(file) && !/words\/..\//.test(file))
        .flatMap((file) => readFileSync(new URL(file, source), 'utf8').match(/'\w+\.\w+'/g) ?? []),
    );
    expect(messages.filter(({ id }) => !said.has(`'${id}'`)).map(({ id }) => id)).toEqual([]);
  });
});

describe('a message', () => {
  it('takes its facts, counts in plurals and groups thousands', () => {
    expect(say('hand.partsParts', { parts: 3 })).toBe('3 parts');
    expect(say('casting.note', { notes: 1 })).toBe('1 note');
    expect(say('casting.note', { notes: 1200 })).toBe('1,200 notes');
  });
  it('chooses by the truth of a fact', () => {
    const said = (yes: boolean) => say('decisions.keySignatureKeyName', { madeBar: yes, bar: 5, keyName: 'C major' });
    expect(said(true)).not.toBe(said(false));
  });
  it('does not compile without its facts, or with others', () => {
    // @ts-expect-error a fact is missing
    expect(() => say('hand.partsParts')).toThrow(/not provided/);
    // @ts-expect-error a fact of another name
    expect(() => say('hand.partsParts', { players: 3 })).toThrow(/not provided/);
    // @ts-expect-error a text where a number is counted
    expect(say('casting.note', { notes: 'many' })).not.toMatch(/many/);
  });
});
