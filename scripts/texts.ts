/*
 * Counts what people read: messages, sentences that are long, words that are not to be used, and how easily they read.
 *
 * usage: tsx scripts/texts.ts [--list]     # --list names the messages
 */
import { flesch } from 'flesch';
import { IntlMessageFormat } from 'intl-messageformat';
import { syllable } from 'syllable';
import { ENGLISH } from '../src/core/words/en';

/** A sentence of more words is hard to take in at once. */
const LONG = 20;
/** Words the house does not use where people read. */
const NOT_USED = /\b(measures?|strike again|let go|goes along|lies beside|as it looks)\b/i;

type Element = ReturnType<IntlMessageFormat['getAst']>[number];

/** The mark of plain text in a parsed message. */
const LITERAL = 0;

/** A message with the longest form of every choice, and a word for every fact. */
function plain(elements: readonly Element[]): string {
  return elements
    .map((element) => {
      if ('options' in element) {
        const forms = Object.values(element.options).map(({ value }) => plain(value));
        return forms.sort((a, b) => b.length - a.length)[0] ?? '';
      }
      if ('children' in element) return plain(element.children);
      return element.type === LITERAL ? element.value : 'fact';
    })
    .join('');
}

const messages = Object.entries(ENGLISH).flatMap(([area, texts]) =>
  Object.entries(texts).map(([name, text]) => ({
    id: `${area}.${name}`,
    text: plain(new IntlMessageFormat(text, 'en').getAst()),
  })),
);
const sentences = messages.flatMap(({ id, text }) =>
  text.split(/(?<=[.!?:;])\s+/).map((sentence) => ({ id, sentence, words: sentence.split(/\s+/).length })),
);
const long = sentences.filter(({ words }) => words > LONG);
/** From the sentences that are long enough to be some. */
const whole = sentences.filter(({ words }) => words >= 4);
/** Reading ease (Flesch, A new readability yardstick, 1948): 60 and more reads as plain English, 30 as a scholar's. */
const ease = flesch({
  sentence: whole.length,
  word: whole.reduce((sum, { words }) => sum + words, 0),
  syllable: whole.reduce((sum, { sentence }) => sum + syllable(sentence), 0),
});
const strange = messages.filter(({ text }) => NOT_USED.test(text));
const fragments = messages.filter(({ text }) => /^[ ,;(]/.test(text));

console.log(`messages                              ${messages.length}`);
console.log(`sentences of more than ${LONG} words       ${long.length}`);
console.log(
  `words a sentence                      ${(whole.reduce((sum, { words }) => sum + words, 0) / whole.length).toFixed(1)}`,
);
console.log(`reading ease (Flesch)                 ${ease.toFixed(1)}`);
console.log(`messages with words not to be used    ${strange.length}`);
console.log(`messages that are pieces of sentences ${fragments.length}`);
if (process.argv.includes('--list'))
  for (const { id, text } of [
    ...long.map(({ id: of, sentence }) => ({ id: of, text: sentence })),
    ...strange,
    ...fragments,
  ])
    console.log(`${id}: ${text}`);
