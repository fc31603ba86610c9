/* What a recipe will hand over, gathered sentence by sentence. */
import type { OpenQuery } from '../engine';
import type { DispatchDesk } from './dispatch-desk';

export interface Preview {
  /** Paragraph: a sentence for each kind of file. */
  words: string[];
  /** Open queries that concern what goes out. */
  matters: OpenQuery[];
  files: number;
}

/** Gathers sentences, files and queries. */
export class Draft {
  private files = 0;
  private readonly matters = new Map<string, OpenQuery>();

  constructor(
    readonly desk: DispatchDesk,
    private readonly words: string[],
  ) {}

  says(sentence: string, files: number): void {
    this.words.push(sentence);
    this.files += files;
  }

  /** @param kinds none for all of them */
  concern(queries: readonly OpenQuery[], kinds?: readonly OpenQuery['kind'][]): void {
    for (const query of this.desk.open(queries))
      if (kinds?.includes(query.kind) ?? true) this.matters.set(query.id, query);
  }

  done(): Preview {
    return { words: this.words, matters: [...this.matters.values()], files: this.files };
  }
}

/** What concerns where bars are and how fast they go. */
export const OF_TIME: OpenQuery['kind'][] = [
  'meter',
  'no-bars',
  'tempo-bends',
  'pickup',
  'endless-repeats',
  'two-versions',
];
