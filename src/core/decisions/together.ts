import { ArrayMaxSize, ArrayNotEmpty, Equals, IsArray, IsObject } from 'class-validator';
import { few } from '../base';
import type { JobSettings } from '../settings';
import type { DecisionKind, Lesson, NameOf } from './decision-kind';
import { NOWHERE } from './roles';

/** Several decisions that are one step: made together, one line of the ledger, undone together. */
export class Together<D> {
  @Equals('together') kind!: 'together';
  /** None of them is a `together` itself. */
  @IsArray() @ArrayNotEmpty() @ArrayMaxSize(10_000) @IsObject({ each: true }) decisions!: D[];
}

/** What can be done with one decision. */
interface Single<D> {
  apply(settings: JobSettings, made: D): JobSettings;
  describe(made: D, nameOf: NameOf): string;
  lessonsIn(made: D): Lesson[];
}

/** @param single as the registry does it for the other kinds */
export function togetherOf<D extends { kind: string }>(single: Single<D>): DecisionKind<Together<D>> {
  return {
    kind: 'together',
    // Its decisions do, each for itself.
    points: NOWHERE,
    dto: Together,
    apply: (settings, { decisions }) => decisions.reduce((before, made) => single.apply(before, made), settings),
    describe: ({ decisions }, nameOf) => inOneLine(spoken(decisions).map((made) => single.describe(made, nameOf))),
    learns: ({ decisions }) => decisions.flatMap((made) => single.lessonsIn(made)),
  };
}

/** A query that is set aside because something else settles it is not worth a word. */
function spoken<D extends { kind: string }>(decisions: readonly D[]): readonly D[] {
  const others = decisions.filter(({ kind }) => kind !== 'dismissQuery');
  return others.length > 0 ? others : decisions;
}

/** "Flute, Oboe: gaps closed; Horn: a note moved": what is said of several parts is said once. */
function inOneLine(lines: readonly string[]): string {
  const said = new Map<string, string[]>();
  for (const line of lines) {
    const colon = line.indexOf(': ');
    const [name, what] = colon < 0 ? ['', line] : [line.slice(0, colon), line.slice(colon + 2)];
    const names = said.get(what) ?? [];
    if (!names.includes(name)) said.set(what, [...names, name]);
  }
  return few(
    [...said].map(([what, names]) => (names[0] === '' ? what : `${few(names, ', ')}: ${what}`)),
    '; ',
  );
}
