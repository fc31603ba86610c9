/** What a receiver would say of a file. */
export interface Finding {
  ok: boolean;
  words: string;
}

export const finding = (ok: boolean, good: string, bad: string): Finding => ({ ok, words: ok ? good : bad });
