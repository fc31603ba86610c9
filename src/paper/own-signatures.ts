/*
 * Key signatures as every staff reads them. The engraver takes a change in the middle of a score from the first part and
 * gives it to all: transposing instruments would have a wrong one. Its own format (MEI) can say it staff by staff.
 */
import type { VerovioToolkit } from 'verovio/esm';

/** Loads a score of ours. @returns whether it could be read */
export function loadScore(toolkit: VerovioToolkit, musicXml: string): boolean {
  if (!toolkit.loadData(musicXml)) return false;
  const changes = ownChanges(musicXml);
  return changes.length === 0 || toolkit.loadData(withOwnSignatures(toolkit.getMEI({}), musicXml, changes));
}

/** A bar in which not all staves have the same signature from then on. */
interface OwnChange {
  /** Measure of the score, from 0. */
  measure: number;
  /** Fifths by staff of the score, from 1: of those whose signature changes. */
  staves: ReadonlyMap<number, number>;
}

interface PartSignatures {
  /** Its first staff in the score, from 1, and how many it has. */
  first: number;
  staves: number;
  /** Fifths where a signature stands at the barline, by measure. */
  changes: ReadonlyMap<number, number>;
}

function ownChanges(musicXml: string): OwnChange[] {
  const parts = signaturesOfParts(musicXml);
  const measures = new Set(parts.flatMap(({ changes }) => [...changes.keys()].filter((measure) => measure > 0)));
  const now = parts.map(({ changes }) => changes.get(0) ?? 0);
  const found: OwnChange[] = [];
  for (const measure of [...measures].sort((a, b) => a - b)) {
    const staves = new Map<number, number>();
    parts.forEach(({ first, staves: count, changes }, p) => {
      const fifths = changes.get(measure);
      if (fifths === undefined) return;
      now[p] = fifths;
      for (let s = 0; s < count; s++) staves.set(first + s, fifths);
    });
    if (now.some((fifths) => fifths !== now[0])) found.push({ measure, staves });
  }
  return found;
}

function signaturesOfParts(musicXml: string): PartSignatures[] {
  let first = 1;
  return musicXml
    .split(/<part id=/)
    .slice(1)
    .map((part): PartSignatures => {
      const measures = part.split('<measure ').slice(1);
      const staves = Number(/<staves>(\d+)</.exec(measures[0] ?? '')?.[1] ?? 1);
      const changes = new Map(
        measures.flatMap((measure, m) => {
          const at = measure.indexOf('<fifths>');
          if (at < 0) return [];
          // One behind a note stands inside the bar.
          const note = measure.indexOf('<note');
          return note >= 0 && note < at
            ? []
            : [[m, Number.parseInt(measure.slice(at + '<fifths>'.length), 10)] as const];
        }),
      );
      const own = { first, staves, changes };
      first += staves;
      return own;
    });
}

function withOwnSignatures(mei: string, musicXml: string, changes: readonly OwnChange[]): string {
  const numbers = [...(musicXml.split(/<part id=/)[1] ?? '').matchAll(/<measure number="([^"]*)"/g)].map(([, n]) => n!);
  const wanted = new Map(changes.map((change) => [change.measure, change]));
  let measure = -1;
  // What is said before a measure holds from it on; it stands behind the measure before, which may end with anything.
  return mei.replace(
    /(<scoreDef\b[^>]*>(?:(?!<\/scoreDef>)[^])*<\/scoreDef>\s*)?(<measure\b[^>]*>)/g,
    (all, said: string | undefined, begin: string) => {
      const number = /\bn="([^"]*)"/.exec(begin)?.[1];
      // Rests over several bars are one measure there.
      do measure++;
      while (measure < numbers.length && number !== undefined && numbers[measure] !== number);
      const change = wanted.get(measure);
      return change ? `${signed(said, change)}${begin}` : all;
    },
  );
}

/** What is said before a measure, with a signature for each staff in place of the one for all. */
function signed(said: string | undefined, { staves }: OwnChange): string {
  const own = [...staves].map(([n, fifths]) => `<staffDef n="${n}"><keySig sig="${signatureOf(fifths)}"/></staffDef>`);
  const group = `<staffGrp>${own.join('')}</staffGrp>`;
  if (said === undefined) return `<scoreDef>${group}</scoreDef>`;
  return said.replace(/<keySig\b[^>]*\/>/, '').replace(/<\/scoreDef>/, `${group}</scoreDef>`);
}

function signatureOf(fifths: number): string {
  if (fifths === 0) return '0';
  return fifths > 0 ? `${fifths}s` : `${-fifths}f`;
}
