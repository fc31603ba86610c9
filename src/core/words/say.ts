/* What is said to people: the core and the screens name a message and its facts, the catalogue has the words. */
import type { GetICUArgs } from '@schummar/icu-type-parser';
import { IntlMessageFormat } from 'intl-messageformat';
import type { ENGLISH } from './en';
import { onLanguage, spokenLanguage, spokenTexts } from './language';

type English = typeof ENGLISH;
type Area = keyof English;

/** Area and name of a message, as `casting.divide`. */
export type MessageId = { [A in Area]: `${A}.${keyof English[A] & string}` }[Area];

type TextOf<Id extends MessageId> = Id extends `${infer A extends Area}.${infer Name}`
  ? English[A][Name & keyof English[A]] & string
  : never;

type Arguments<Text extends string> = GetICUArgs<
  Text,
  { ICUArgument: string | number; ICUNumberArgument: number; ICUDateArgument: Date }
>;
/** A choice between true and false takes the truth itself. */
type Given<T> = 'true' extends T ? boolean | T : T;

type NameIn<T> = T extends T ? keyof T : never;
type FactIn<T, Name extends PropertyKey> = T extends { [N in Name]?: infer Fact } ? Fact : never;
/** A message with choices has a form for each of them: what all need is there, what only some need may be wanting. */
type Together<T, Shared extends PropertyKey = keyof T> = {
  [Name in NameIn<T>]: Given<FactIn<T, Name>> | (Name extends Shared ? never : undefined | null);
};

/** The facts a message needs, by the names its text has for them. */
export type Facts<Id extends MessageId> = Together<Arguments<TextOf<Id>>>;
type Needed<Id extends MessageId> = [keyof Facts<Id>] extends [never] ? [] : [facts: Facts<Id>];

const formats = new Map<string, IntlMessageFormat>();
onLanguage(() => formats.clear());

/** The text of a message before its facts stand in it. */
function textOf(id: MessageId): string {
  const [area, name] = id.split('.');
  return spokenTexts()[area!]![name!]!;
}

/** A message ready to take its facts; each is parsed once. */
export function formatOf(id: MessageId): IntlMessageFormat {
  const known = formats.get(id);
  if (known) return known;
  const made = new IntlMessageFormat(textOf(id), spokenLanguage());
  formats.set(id, made);
  return made;
}

/** Facts as the format takes them: truths are choices by name. */
export function plainFacts(facts: object): Record<string, string | number> {
  return Object.fromEntries(
    Object.entries(facts).map(([name, fact]: [string, unknown]) => [
      name,
      typeof fact === 'number' ? fact : String(fact),
    ]),
  );
}

/**
 * A message in words.
 *
 * @param facts what stands in the braces of its text; ICU MessageFormat, as FormatJS reads it
 */
export function say<Id extends MessageId>(id: Id, ...[facts]: Needed<Id>): string {
  const format = formatOf(id);
  return String(format.format(facts && plainFacts(facts)));
}
