/* What is said before a file goes out: what does not go along, and choices that change nothing. */
import { say } from '../../words';
import { soundsOf, type Part, type Score } from '../../score';
import { OF_CONTROLLERS, partSettings, type SequencerSettings, type Split } from '../../settings';
import { isBent } from '../tracks/bends';
import type { SequencerTrack } from '../tracks/tracks';

interface Outgoing {
  score: Score;
  /** Those that are wanted. */
  parts: readonly Part[];
  tracks: readonly SequencerTrack[];
  settings: SequencerSettings;
}

export function remarksOn(outgoing: Outgoing): string[] {
  return [...leftBehind(outgoing), ...withoutEffect(outgoing)];
}

function leftBehind({ score, parts, tracks, settings }: Outgoing): string[] {
  const sentences: string[] = [];
  const dynamics = parts.reduce((sum, part) => sum + part.lines.dynamics.length + part.lines.hairpins.length, 0);
  if (
    dynamics > 0 &&
    settings.dynamicsTo.length === 0 &&
    parts.every((part) => !partSettings(settings, part.id).dynamicsTo)
  )
    sentences.push(say('toSequencer.dynamicsDynamicSignsAndHairpinsAre', { dynamics }));
  if (Object.keys(score.signs).length > 0 && (!settings.playRepeats || settings.onlyBars))
    sentences.push(say('toSequencer.repeatsAndJumpsAreNotPlayedEvery'));
  const jumps = jumpsOf(score);
  if (jumps.length > 0 && settings.playRepeats && !settings.onlyBars)
    sentences.push(say('toSequencer.jumpsPlayedOutTheBarsComeAgain', { jumps: jumps.join(', ') }));
  const held = parts
    .filter((part) => byVelocityAlone(settings, part))
    .reduce((sum, part) => sum + heldHairpins(part, score), 0);
  if (held > 0) sentences.push(say('toSequencer.oneHairpinIsOverHeldNotesAndCannot', { held }));
  const pedals = parts.reduce((sum, part) => sum + part.lines.pedals.length, 0);
  if (pedals > 0 && settings.preset === 'bare')
    sentences.push(say('toSequencer.pedalsPedalMarksAreLeftAwayThe', { pedals }));
  const glides = settings.ornaments ? settings.glides : 'none';
  const between = tracks.reduce((sum, { notes }) => sum + notes.filter((note) => isBent(note, glides)).length, 0);
  if (between > 0 && settings.preset === 'bare')
    sentences.push(say('toSequencer.quarterTonesAndSlidesSoundAsPlain', { between }));
  return sentences;
}

/** "D.C. at bar 8" */
function jumpsOf({ signs, bars }: Score): string[] {
  return Object.entries(signs).flatMap(([bar, { jump }]) =>
    jump ? [say('toSequencer.dCAtBarBars', { jump, bars: bars[Number(bar)]?.number ?? Number(bar) + 1 })] : [],
  );
}

function byVelocityAlone(settings: SequencerSettings, { id }: Part): boolean {
  const carriers = partSettings(settings, id).dynamicsTo ?? settings.dynamicsTo;
  return carriers.length === 1 && carriers[0] === 'velocity';
}

/** Hairpins in which no note begins but at their start. */
function heldHairpins(part: Part, { bars }: Score): number {
  if (part.lines.hairpins.length === 0) return 0;
  const onsets = soundsOf(part, bars).map(({ start }) => start);
  return part.lines.hairpins.filter(({ start, end }) => !onsets.some((at) => at > start && at < end)).length;
}

/** Why a split leaves a part in one track. */
const NOTHING_TO_SPLIT: Partial<Record<Split, string>> = {
  get technique() {
    return say('toSequencer.noTechniqueIsWritten');
  },
  get solo() {
    return say('toSequencer.noSoloIsWritten');
  },
  get voice() {
    return say('toSequencer.itHasOneVoice');
  },
  get staff() {
    return say('toSequencer.itHasOneStaff');
  },
  get lines() {
    return say('toSequencer.itHasNoChords');
  },
};

function withoutEffect({ score, parts, tracks, settings }: Outgoing): string[] {
  const sentences: string[] = [];
  if (parts.length === 0) sentences.push(say('toSequencer.noPartIsChosenTheFileHoldsTempo'));
  if (settings.files === 'sections' && score.markers.length === 0)
    sentences.push(say('toSequencer.thereAreNoMarkersSoThePieceIsOne'));
  if (settings.padPickup && !score.bars[0]?.implicit)
    sentences.push(say('toSequencer.thereIsNoPickupToBePaddedTheFirst'));
  if (settings.treatments.some(({ does }) => OF_CONTROLLERS.has(does.kind)))
    sentences.push(say('toSequencer.aScoreHasNoControllersToBeTreated'));
  for (const part of parts) {
    const moved = Object.entries(partSettings(settings, part.id).drumKeys ?? {}).filter(
      ([key, to]) => Number(key) !== to,
    );
    const struck = new Set(
      tracks.filter((track) => track.part === part.id).flatMap(({ notes }) => notes.map(({ sound }) => sound.key)),
    );
    if (moved.length > 0 && !moved.some(([key]) => struck.has(Number(key))))
      sentences.push(say('toSequencer.theDrumMapOfPartMovesNoKeyNoneOf', { part: part.name }));
    const why = NOTHING_TO_SPLIT[partSettings(settings, part.id).split ?? 'none'];
    const own = tracks.filter((track) => track.part === part.id);
    // A single passage in a technique is one track too, and named after it.
    if (why && own.length <= 1 && !own[0]?.technique)
      sentences.push(say('toSequencer.partStaysOneTrackWhySoItsSplit', { part: part.name, why }));
  }
  return sentences;
}
