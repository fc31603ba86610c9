import type { Recipe } from '../recipe';

/* How the fields of a wish are asked for: a form is made of it, whatever kind of file it is. */

interface Asked {
  name: string;
  /** Words that stand in place of the field, once for all fields that have them, while something else decides. */
  instead?: (recipe: Recipe) => string | null;
}

/** Yes or no. */
export interface Tick {
  tick: string;
  /** It is a file, or several: of these a recipe wants at least one. */
  isFile?: true;
}

/** One of several, each with its words; in sight where there are few. */
export interface OneOf<V> extends Asked {
  oneOf: readonly (readonly [V, string])[];
  few?: true;
}

export interface Amount extends Asked {
  from: number;
  to: number;
  step?: number;
  unit?: string;
}

/** Time code, as a count of frames at the rate that another field holds; it says the same when the rate changes. */
export interface Code extends Asked {
  codeAt: 'rate';
}

export interface Text extends Asked {
  atMost: number;
}

type FieldFor<V> = [V] extends [boolean] ? Tick | OneOf<boolean> : OneOf<V> | Amount | Code | Text;

/** Every field of a wish, in the order in which they are asked for: one that is left out does not compile. */
export type Form<Wish> = { [F in keyof Wish]-?: FieldFor<NonNullable<Wish[F]> extends boolean ? boolean : Wish[F]> };

export type Field = Tick | OneOf<unknown> | Amount | Code | Text;

/** A kind of file that leaves the house, as far as a recipe knows it. */
export interface Delivery<Wish extends object> {
  name: string;
  about: string;
  /** In "the recipe wants … but does not say what of it". */
  what: string;
  usual: Wish;
  form: Form<Wish>;
  /** Checks a wish that comes from outside. */
  Shape: new () => Wish;
}

/** Each value under its own name. */
export const asTheyAre = <V extends string>(values: readonly V[]) => values.map((value) => [value, value] as const);
