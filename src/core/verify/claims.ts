/*
 * What can be said of a delivery: each kind of claim is found in the delivered files alone, by readers that share nothing with
 * what made them, and is found again in the same way when the parcel is verified. A sentence of the contents sheet without a
 * kind here cannot be written.
 */
import { say } from '../words';
import { unzipSync } from 'fflate';
import { sha256 } from '../base';
import { absent } from './kinds/absent';
import { mapBars } from './kinds/map-bars';
import { mapTable } from './kinds/map-table';
import { midiAndScore } from './kinds/midi-and-score';
import { midiFile } from './kinds/midi-file';
import { pages } from './kinds/pages';
import { scoreFile } from './kinds/score-file';
import { soundFiles } from './kinds/sound-files';
import type { ClaimKind, Facts, ParcelFile } from './kinds/kind';

export interface Claim {
  kind: string;
  /** What it is about: paths, first those that it names. */
  files: string[];
  facts: Facts;
  words: string;
}

const KINDS: Readonly<Record<string, ClaimKind>> = {
  'midi-file': midiFile,
  'score-file': scoreFile,
  'midi-and-score': midiAndScore,
  'map-bars': mapBars,
  'map-table': mapTable,
  absent,
  pages,
  'sound-files': soundFiles,
};

/** Everything that is found in the files, in order of kind. */
export function claimsOf(files: readonly ParcelFile[]): Claim[] {
  return Object.entries(KINDS).flatMap(([kind, { find, says }]) =>
    find(files).map(({ about, facts }) => ({ kind, files: about, facts, words: says(facts, about) })),
  );
}

export interface Verdict {
  ok: boolean;
  /** What was claimed. */
  words: string;
  /** What is found instead; empty where it is as claimed. */
  found: string;
}

/** Each claim, found again. */
export function verifyClaims(files: readonly ParcelFile[], claims: readonly Claim[]): Verdict[] {
  const again = claimsOf(files);
  return claims.map((claim): Verdict => {
    if (!Object.hasOwn(KINDS, claim.kind))
      return {
        ok: false,
        words: claim.words,
        found: say('verify.thisVersionKnowsNoWayToCheckItKind', { kind: claim.kind }),
      };
    const now = again.find((one) => one.kind === claim.kind && sameFiles(one.files, claim.files));
    if (!now) return { ok: false, words: claim.words, found: say('verify.theFilesDoNotSaySo') };
    // The sentence is made anew of the facts: one that says more than they do is found out.
    const same = JSON.stringify(now.facts) === JSON.stringify(claim.facts) && now.words === claim.words;
    return { ok: same, words: claim.words, found: same ? '' : now.words };
  });
}

const sameFiles = (a: readonly string[], b: readonly string[]) =>
  a.length === b.length && a.every((path, i) => path === b[i]);

export const CLAIMS = 'claims.json';
export const SUMS = 'SHA256SUMS.txt';
const FORMAT = 'dragoman-claims';

export function writeClaims(claims: readonly Claim[]): string {
  return `${JSON.stringify({ format: FORMAT, version: 1, claims }, null, 1)}\n`;
}

/** @throws Error with one sentence */
function readClaims(text: string): Claim[] {
  const fail = () => new Error(say('verify.strangeClaims', { claims: CLAIMS }));
  let plain: unknown;
  try {
    plain = JSON.parse(text);
  } catch {
    throw fail();
  }
  const { format, claims } = (plain ?? {}) as { format?: unknown; claims?: unknown };
  if (format !== FORMAT || !Array.isArray(claims)) throw fail();
  const isClaim = (one: unknown): one is Claim => {
    const { kind, files, words, facts } = (one ?? {}) as Partial<Claim>;
    return typeof kind === 'string' && typeof words === 'string' && Array.isArray(files) && typeof facts === 'object';
  };
  if (!claims.every(isClaim)) throw fail();
  return claims;
}

/**
 * A parcel held against its own claims; nothing but its files is read.
 *
 * @throws Error with one sentence when it has no claims
 */
export async function verifyParcel(files: readonly ParcelFile[]): Promise<Verdict[]> {
  const text = (path: string) => {
    const file = files.find((one) => one.path === path);
    return file ? new TextDecoder().decode(file.bytes) : null;
  };
  const claims = text(CLAIMS);
  if (claims === null) throw new Error(say('verify.noClaims', { claims: CLAIMS }));
  return [...(await sumVerdicts(files, text(SUMS) ?? '')), ...verifyClaims(files, readClaims(claims))];
}

/** Files of a zip. @throws Error with one sentence */
export function filesOfZip(bytes: Uint8Array): ParcelFile[] {
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b)
    throw new Error('This is no zip. Give a parcel, or the folder it was unpacked into.');
  try {
    return Object.entries(unzipSync(bytes)).flatMap(([path, content]) =>
      path.endsWith('/') ? [] : [{ path, bytes: content }],
    );
  } catch {
    throw new Error('This zip cannot be unpacked: it is damaged or cut. Ask for it again.');
  }
}

async function sumVerdicts(files: readonly ParcelFile[], sums: string): Promise<Verdict[]> {
  const wanted = new Map(
    sums.split('\n').flatMap((line): [string, string][] => {
      const [, sum, path] = /^([0-9a-f]{64}) {2}(.+)$/.exec(line) ?? [];
      return sum && path ? [[path, sum]] : [];
    }),
  );
  const wrong: string[] = [];
  for (const [path, sum] of wanted) {
    const file = files.find((one) => one.path === path);
    if (!file) wrong.push(say('verify.pathIsMissing', { path }));
    else if ((await sha256(file.bytes)) !== sum) wrong.push(say('verify.pathWasChanged', { path }));
  }
  const strange = files
    .filter(({ path }) => path !== SUMS && !wanted.has(path))
    .map(({ path }) => say('verify.pathHasNoSum', { path }));
  const found = [...wrong, ...strange];
  const words = say('verify.theSHA256SumOfEveryFileIsAsSums', { sums: SUMS, wanted: wanted.size });
  return [
    {
      ok: found.length === 0 && wanted.size > 0,
      words,
      found: found.join('; ') || (wanted.size > 0 ? '' : say('verify.noSums')),
    },
  ];
}
