/*
 * Which instrument each track is. What people said counts first, then what the file says clearly, then the house list,
 * then the engine's best guess if it is sure enough.
 */
import { say } from '../words';
import {
  instrumentById,
  recognise,
  SURE_ENOUGH,
  TECHNIQUE_PROGRAMS,
  TECHNIQUES,
  UNKNOWN_INSTRUMENT,
  type Instrument,
  type InstrumentId,
  type Recognition,
  type TechniqueId,
} from '../instruments';
import { mostAtOnce, PERCUSSION_CHANNEL, type Performance, type PlayedTrack } from '../performance';
import type { CastTrack } from './casting';
import type { CastingSettings } from '../settings';

/** From here on a name is clear, and the house list does not overrule it. */
export const CLEAR = 0.85;
/** Below it an instrument is written so and asked about; tables show it as doubtful. */
export const DOUBTFUL = 0.6;

export function castTracks(performance: Performance, settings: CastingSettings): CastTrack[] {
  const band = performance.tracks.some((track) => track.notes.length > 0 && onPercussionChannel(track));
  const around = { band, sameProgram: haveOneProgram(performance.tracks) };
  const alone = performance.tracks.map((track) => recogniseTrack(track, around));
  const choir = isChoir(alone);
  return performance.tracks.map((track, i) => {
    const recognition =
      isClear(alone[i]!) || track.notes.length === 0
        ? alone[i]!
        : recogniseTrack(track, { ...around, choir }, companyOf(alone, performance.tracks, i));
    return castTrack(track, recognition, settings);
  });
}

function onPercussionChannel({ channels }: PlayedTrack): boolean {
  return channels.length > 0 && channels.every((channel) => channel === PERCUSSION_CHANNEL);
}

/** Two voices and more, and no strings, among which an alto is a viola. */
function isChoir(recognitions: readonly Recognition[]): boolean {
  const clear = recognitions.filter(isClear).map(({ candidates }) => instrumentById(candidates[0]!.instrument).family);
  return clear.filter((family) => family === 'voice').length > 1 && !clear.includes('strings');
}

/** Of three tracks and more with notes: nobody chose that program. */
function haveOneProgram(tracks: readonly PlayedTrack[]): boolean {
  const programs = tracks
    .filter((track) => track.notes.length > 0 && !onPercussionChannel(track))
    .map(({ programs: [first] }) => first?.program ?? null);
  return programs.length > 2 && new Set(programs).size === 1;
}

interface Around {
  band: boolean;
  sameProgram: boolean;
  choir?: boolean;
}

function recogniseTrack(
  track: PlayedTrack,
  around: Around,
  company: Company = { above: null, below: null },
): Recognition {
  return recognise({
    name: track.name,
    program: track.programs[0]?.program ?? null,
    percussionChannel: onPercussionChannel(track),
    ...around,
    keys: track.notes.map((note) => note.key),
    mostAtOnce: mostAtOnce(track.notes),
    company,
  });
}

interface Company {
  above: Instrument | null;
  below: Instrument | null;
}

function isClear({ candidates }: Recognition): boolean {
  return (candidates[0]?.confidence ?? 0) >= CLEAR;
}

/** The nearest clear tracks above and below in the file, at most two away. */
function companyOf(recognitions: readonly Recognition[], tracks: readonly PlayedTrack[], at: number): Company {
  const clear = (i: number) =>
    tracks[i] && tracks[i].notes.length > 0 && isClear(recognitions[i]!)
      ? instrumentById(recognitions[i]!.candidates[0]!.instrument)
      : null;
  return { above: clear(at - 1) ?? clear(at - 2), below: clear(at + 1) ?? clear(at + 2) };
}

/** What the part of a score says it is, where it says so. */
function saidByScore(track: PlayedTrack, { candidates }: Recognition): Recognition['candidates'][number] | null {
  const { written } = track;
  if (!written || written.instrument === UNKNOWN_INSTRUMENT.id || onPercussionChannel(track)) return null;
  const same = candidates.find(({ instrument }) => instrument === written.instrument);
  return same ?? { instrument: written.instrument, confidence: CLEAR, evidence: [say('castingCore.theScoreSaysSo')] };
}

/** A track that has one program throughout, which stands for a way of playing its instrument. */
function techniqueByProgram({ programs }: PlayedTrack, { family }: Instrument): TechniqueId | null {
  const numbers = new Set(programs.map(({ program }) => program));
  if (numbers.size !== 1) return null;
  const [only] = numbers;
  return TECHNIQUES.find((technique) => TECHNIQUE_PROGRAMS[technique]?.[family] === only) ?? null;
}

/** Somebody's choice counts before the house list, that before what is heard. */
function decidedBy(chosen: InstrumentId | undefined, house: InstrumentId | undefined, heard: number) {
  if (chosen) return { instrument: chosen, by: 'you', confidence: 1 } as const;
  if (house) return { instrument: house, by: 'house list', confidence: Math.max(0.95, heard) } as const;
  return { instrument: null, by: 'engine', confidence: heard } as const;
}

function reasonOf({ empty, out, byHand }: { empty: boolean; out: boolean; byHand: boolean }): string | undefined {
  if (empty) return say('castingCore.noNotes');
  if (!out) return undefined;
  return byHand ? say('castingCore.leftOut') : say('castingCore.leftOutByYourHouseList');
}

function castTrack(track: PlayedTrack, recognition: Recognition, settings: CastingSettings): CastTrack {
  const said = saidByScore(track, recognition);
  const best = said ?? recognition.candidates[0];
  const house = settings.house[track.id];
  const contradicted =
    house?.instrument !== undefined &&
    best !== undefined &&
    best.confidence >= CLEAR &&
    best.instrument !== house.instrument;
  // A score knows its instruments better than a list of track names.
  const fromHouse = house?.instrument !== undefined && !contradicted && !said;
  const chosen = settings.instruments[track.id];
  const sure = best !== undefined && best.confidence >= SURE_ENOUGH;
  const guessed = sure ? instrumentById(best.instrument) : UNKNOWN_INSTRUMENT;
  const empty = track.notes.length === 0 && !track.written;
  const out = settings.leftOut[track.id] ?? house?.leftOut ?? false;
  const decided = decidedBy(chosen, fromHouse ? house.instrument : undefined, best?.confidence ?? 0);
  const instrument = decided.instrument ? instrumentById(decided.instrument) : guessed;
  const technique =
    settings.techniques[track.id] ?? house?.technique ?? recognition.technique ?? techniqueByProgram(track, instrument);
  return {
    id: track.id,
    name: track.name,
    recognition,
    instrument,
    technique: technique === 'none' ? null : technique,
    confidence: decided.confidence,
    by: decided.by,
    // A track without notes has nothing to write whatever anybody decides.
    leftOut: empty || out,
    reason: reasonOf({ empty, out, byHand: settings.leftOut[track.id] === true }),
  };
}
