/*
 * Key and time signatures as every staff reads them. The engraver takes a change in the middle of a score from the first
 * part and gives it to all: transposing instruments would have a wrong signature, and a part with a meter of its own the
 * meter of the others. The engraver's own format (MEI) can say both staff by staff.
 */
import type { VerovioToolkit } from 'verovio/esm';

/** Loads a score of ours. @returns whether it could be read */
export function loadScore(toolkit: VerovioToolkit, musicXml: string): boolean {
  const repeats = musicXml.includes('<measure-repeat');
  // A sign for a bar needs the room of one.
  toolkit.setOptions({ measureMinWidth: repeats ? REPEAT_WIDTH : USUAL_WIDTH });
  if (!toolkit.loadData(musicXml)) return false;
  const changes = ownChanges(musicXml);
  if (changes.length === 0 && !repeats) return true;
  const own = withOwnSignatures(toolkit.getMEI({}), musicXml, changes);
  return toolkit.loadData(repeats ? withCountedRepeats(own) : own);
}

/** Least width of a bar, in the engraver's units. */
const USUAL_WIDTH = 15;
const REPEAT_WIDTH = 30;
/** Fewer repeat signs in a row are not counted; the first one never is. */
const COUNTED_FROM = 4;

/** Figures over repeat signs only where there are many in a row, and from the second on. */
function withCountedRepeats(mei: string): string {
  const measures = mei.split(/(?=<measure\b)/);
  const signs = measures.map((measure) => new Set([...measure.matchAll(REPEATED_STAFF)].map(([, , staff]) => staff!)));
  return measures
    .map((measure, m) =>
      measure.replace(REPEATED_STAFF, (_, begin: string, staff: string) => {
        const before = runFrom(signs, staff, m, -1);
        const row = before + runFrom(signs, staff, m, 1) - 1;
        const counted = before > 1 && row >= COUNTED_FROM;
        // One sign, however many voices it stands for.
        return `${begin}<layer n="1"><mRpt${counted ? '' : ' num.visible="false"'}/></layer></staff>`;
      }),
    )
    .join('')
    .replace(/(<measure\b[^>]*) metcon="false"/g, '$1');
}

const REPEATED_STAFF = /(<staff\b[^>]*\bn="(\d+)"[^>]*>)(?:(?!<\/staff>)[^])*?<mRpt\b(?:(?!<\/staff>)[^])*<\/staff>/g;

/** How many measures in a row, from one on, have the sign on a staff; that one counts. */
function runFrom(signs: readonly ReadonlySet<string>[], staff: string, from: number, step: 1 | -1): number {
  let n = 0;
  while (signs[from + n * step]?.has(staff)) n++;
  return n;
}

const KINDS = ['keySig', 'meterSig'] as const;
type Kind = (typeof KINDS)[number];

/** The signature that a measure begins with, as an element of the engraver's format; null where it has none. */
const READ: Readonly<Record<Kind, (measure: string) => string | null>> = {
  keySig: (measure) => {
    const fifths = leading(measure, /<fifths>(-?\d+)</);
    return fifths && `<keySig sig="${signatureOf(Number(fifths[1]))}"/>`;
  },
  meterSig: (measure) => {
    const time = leading(measure, /<time(?: symbol="(common|cut)")?>\s*<beats>([\d+]+)<\/beats>\s*<beat-type>(\d+)</);
    return time && `<meterSig count="${time[2]}" unit="${time[3]}"${time[1] ? ` sym="${time[1]}"` : ''}/>`;
  },
};

/** What stands before the first note; behind one it would stand inside the bar. */
function leading(measure: string, pattern: RegExp): RegExpExecArray | null {
  const note = measure.indexOf('<note');
  return pattern.exec(note < 0 ? measure : measure.slice(0, note));
}

/** "2s", "3f", "0" */
function signatureOf(fifths: number): string {
  if (fifths === 0) return '0';
  return fifths > 0 ? `${fifths}s` : `${-fifths}f`;
}

/** A bar from which on not all staves have the same signature. */
interface OwnChange {
  /** Measure of the score, from 0. */
  measure: number;
  /** What of it is said staff by staff. */
  kinds: Kind[];
  /** Signatures by staff of the score, from 1: of those whose own changes. */
  staves: Map<number, string>;
}

interface PartSignatures {
  /** Its first staff in the score, from 1, and how many it has. */
  first: number;
  staves: number;
  /** By measure. */
  changes: Readonly<Record<Kind, ReadonlyMap<number, string>>>;
}

function ownChanges(musicXml: string): OwnChange[] {
  const parts = signaturesOfParts(musicXml);
  const found = new Map<number, OwnChange>();
  for (const kind of KINDS) {
    const now = parts.map(({ changes }) => changes[kind].get(0));
    const measures = new Set(parts.flatMap(({ changes }) => [...changes[kind].keys()].filter((m) => m > 0)));
    for (const measure of [...measures].sort((a, b) => a - b)) {
      parts.forEach(({ changes }, p) => (now[p] = changes[kind].get(measure) ?? now[p]));
      // What the first part says is right for all where all have the same then.
      if (parts[0]!.changes[kind].has(measure) && now.every((signature) => signature === now[0])) continue;
      const change = found.get(measure) ?? { measure, kinds: [], staves: new Map<number, string>() };
      found.set(measure, change);
      change.kinds.push(kind);
      for (const { first, staves, changes } of parts)
        for (let staff = first; changes[kind].has(measure) && staff < first + staves; staff++)
          change.staves.set(staff, (change.staves.get(staff) ?? '') + changes[kind].get(measure)!);
    }
  }
  return [...found.values()];
}

function signaturesOfParts(musicXml: string): PartSignatures[] {
  let first = 1;
  return musicXml
    .split(/<part id=/)
    .slice(1)
    .map((part): PartSignatures => {
      const measures = part.split('<measure ').slice(1);
      const staves = Number(/<staves>(\d+)</.exec(measures[0] ?? '')?.[1] ?? 1);
      const changesOf = (kind: Kind) =>
        new Map(
          measures.flatMap((measure, m) => {
            const signature = READ[kind](measure);
            return signature === null ? [] : [[m, signature] as const];
          }),
        );
      const own = { first, staves, changes: { keySig: changesOf('keySig'), meterSig: changesOf('meterSig') } };
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

/** What is said before a measure, with signatures for each staff in place of those for all. */
function signed(said: string | undefined, { kinds, staves }: OwnChange): string {
  const own = [...staves].map(([n, signatures]) => `<staffDef n="${n}">${signatures}</staffDef>`);
  const group = `<staffGrp>${own.join('')}</staffGrp>`;
  if (said === undefined) return `<scoreDef>${group}</scoreDef>`;
  const rest = kinds.reduce((text, kind) => text.replace(new RegExp(`<${kind}\\b[^>]*/>`), ''), said);
  return rest.replace(/<\/scoreDef>/, `${group}</scoreDef>`);
}
