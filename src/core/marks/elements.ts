/* Elements of the standard, as marks give them to the writer and get them from the reader. */

export type Attributes = Record<string, string | number | undefined>;

/** To be written. */
export interface MarkElement {
  name: string;
  text?: string | number;
  attributes?: Attributes;
  children?: MarkElement[];
  /** The version of the standard that has it, where that is not the oldest we write; older files get `before`. */
  since?: '4.0';
  before?: MarkElement;
}

/** As it was read. */
export interface ReadElement {
  name: string;
  text: string;
  attributes: Readonly<Record<string, string>>;
  children: readonly ReadElement[];
}

/** Attributes of what is only suggested; none where everything is printed black. */
export type Colour = (mark: { suggested?: boolean }) => Attributes;
