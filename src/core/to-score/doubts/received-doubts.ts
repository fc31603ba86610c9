/* What is asked about a received score: not what it says itself, but where what it says is hardly meant. */
import { say } from '../../words';
import { queryId, type TrackId } from '../../base';
import { isNobodysName } from '../../casting';
import type { Query } from '../../queries';
import { diatonicNumber, keyName, symbolsOf, type Part } from '../../score';
import type { AuditedPart } from './audit-parts';
import { usualKey, type BarKey } from '../pitch/keys';
import type { Piece } from '../piece';
import { isAnew } from '../received/anew';

/** Asked of music that was played: a score has these written, and they are kept. */
const SAID_BY_A_SCORE: ReadonlySet<Query['kind']> = new Set([
  'off-grid',
  'early-entry',
  'one-step',
  'tuplet',
  'short-rest',
  'merged',
  'swing',
  'lead',
  'doubled',
  'key-signature',
  'key-change',
  'staves',
  'bar-repeats',
  'repeat',
  'many-sounds',
  'one-drum',
  'unmapped-drum',
  'gather',
  'players',
  'meter',
  'no-bars',
  'tempo-bends',
  'empty-track',
  'duplicate-track',
]);

/** What the stages hear in it. */
export interface Heard {
  barKeys: readonly BarKey[];
  /** Notes that they would name otherwise. */
  renamed: number;
}

/** Of a job that is made of a score: what is still asked, and what is asked of scores only. */
export function askedOfReceived(piece: Piece, parts: readonly AuditedPart[], queries: Query[], heard: Heard): Query[] {
  const { received, performance } = piece;
  if (!received) return queries;
  const nameOf = (track: TrackId) => performance.tracks.find(({ id }) => id === track)?.name ?? '';
  const keptParts = new Map(parts.flatMap(({ part, kept }) => (kept ? [[part.id as string, kept] as const] : [])));
  const asked = queries.filter((query) => {
    // What bears a name of its own is somebody, whoever it is.
    if (query.kind === 'unknown-instrument') return isNobodysName(nameOf(query.track));
    if (!SAID_BY_A_SCORE.has(query.kind) && !(query.kind === 'audit' && performance.meant)) return true;
    if (query.part === undefined) return false;
    const kept = keptParts.get(query.part);
    return kept === undefined || (query.bar !== undefined && kept.anew.has(query.bar));
  });
  return [...spelling(piece, parts, heard), ...transposition(piece, parts), ...drums(piece, parts), ...asked];
}

/** So many notes that would be named otherwise, or so large a share of black keys in a plain key, are no accident. */
const RENAMED = 8;
const BLACK_SHARE = 0.12;
const PLAIN_KEY = 2;

/** In C throughout, with sharps and never a flat: a sequencer's spelling. */
function spelling({ received, settings }: Piece, parts: readonly AuditedPart[], { barKeys, renamed }: Heard): Query[] {
  if (isAnew(settings, 'spelling', null) || settings.key || settings.keyChanges.length > 0) return [];
  if (received!.keys.some(({ fifths }) => fifths !== 0)) return [];
  const pitched = parts.flatMap(({ kept }) => (kept && !kept.source.unpitched ? [kept.source] : []));
  const { sharps, flats, notes } = pitched.reduce(
    (sum, source) => {
      for (const { symbol } of symbolsOf(source))
        for (const { pitch } of symbol.notes) {
          sum.notes++;
          if (pitch.alter > 0) sum.sharps++;
          if (pitch.alter < 0) sum.flats++;
        }
      return sum;
    },
    { sharps: 0, flats: 0, notes: 0 },
  );
  const heard = barKeys.length > 0 ? usualKey(barKeys) : null;
  const inKey = heard !== null && Math.abs(heard.fifths) >= PLAIN_KEY && sharps >= BLACK_SHARE * notes;
  if (flats > 0 || !heard || heard.fifths === 0 || (renamed < RENAMED && !inKey)) return [];
  return [
    {
      id: queryId('received-spelling'),
      kind: 'received-spelling',
      message: say('doubts.theScoreHasNoKeySignatureAndNames', { sharps, keyName: keyName(heard) }),
    },
  ];
}

/** Transposing instruments, and nothing in the file transposes: it is at concert pitch. */
function transposition({ received, settings }: Piece, parts: readonly AuditedPart[]): Query[] {
  if (received!.parts.some((part) => part.transposition !== 0)) return [];
  // Voices and basses that only sound in another octave are written either way.
  if (!parts.some(({ part }) => part.instrument.transposition % 12 !== 0)) return [];
  const at = parts.filter(
    ({ part, kept }) => kept && !kept.asInstrument && !kept.source.unpitched && part.instrument.transposition !== 0,
  );
  if (at.length === 0 || isAnew(settings, 'transposition', null)) return [];
  const names = at.map(({ part }) => part.name);
  return [
    {
      id: queryId('received-transposition'),
      kind: 'received-transposition',
      message: say('doubts.nothingInTheScoreTransposesNamesIs', { names: listOf(names), names2: names.length }),
    },
  ];
}

/** Drums that came as notes on lines and spaces, with one voice and round heads. */
function drums({ settings }: Piece, parts: readonly AuditedPart[]): Query[] {
  return parts.flatMap(({ part, kept }): Query[] => {
    if (!kept || !part.instrument.unpitched) return [];
    const why = drumFault(kept.source);
    if (!why || isAnew(settings, 'percussion', part.id)) return [];
    return [
      {
        id: queryId(`received-percussion/${part.id}`),
        kind: 'received-percussion',
        part: part.id,
        message: say('doubts.partWhyDrumsAreReadInTwoVoices', { part: part.name, why }),
      },
    ];
  });
}

function drumFault(source: Part): string | null {
  if (!source.unpitched) return say('doubts.isWrittenWithPitchesAsIfItWereA');
  const symbols = [...symbolsOf(source)].filter(({ symbol }) => symbol.notes.length > 0);
  const voices = new Set(source.bars.flatMap((bar) => bar.voices.map(({ voice }) => voice)));
  const heads = symbols.some(({ symbol }) => symbol.notes.some(({ notehead }) => notehead !== undefined));
  const chords = symbols.some(({ symbol }) => symbol.notes.length > 1);
  const places = new Set(symbols.flatMap(({ symbol }) => symbol.notes.map(({ pitch }) => diatonicNumber(pitch))));
  return voices.size === 1 && !heads && chords && places.size > 1 ? say('doubts.isWrittenInOneVoiceItsDrumsAs') : null;
}

function listOf(names: readonly string[]): string {
  const some = names.slice(0, 4);
  const rest = names.length - some.length;
  if (rest > 0) return say('doubts.someAndRestMore', { some: some.join(', '), rest });
  return some.length === 1
    ? some[0]!
    : say('doubts.someAndSome2', { some: some.slice(0, -1).join(', '), some2: some.at(-1)! });
}
