/* What is said before a file goes out: what does not go along, and choices that change nothing. */
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
    sentences.push(`${dynamics} dynamic signs and hairpins are not played: dynamics are set to nothing.`);
  if (Object.keys(score.signs).length > 0 && (!settings.playRepeats || settings.onlyBars))
    sentences.push('Repeats and jumps are not played: every chosen bar sounds once.');
  const jumps = jumpsOf(score);
  if (jumps.length > 0 && settings.playRepeats && !settings.onlyBars)
    sentences.push(`${jumps.join(', ')} played out: the bars come again behind, and no marker says so.`);
  const held = parts
    .filter((part) => byVelocityAlone(settings, part))
    .reduce((sum, part) => sum + heldHairpins(part, score), 0);
  if (held > 0)
    sentences.push(
      `${held === 1 ? 'One hairpin is' : `${held} hairpins are`} over held notes and cannot be heard: a velocity does not change while a note sounds. Send dynamics to a controller.`,
    );
  const pedals = parts.reduce((sum, part) => sum + part.lines.pedals.length, 0);
  if (pedals > 0 && settings.preset === 'bare')
    sentences.push(`${pedals} pedal marks are left away: the preset keeps bare notes.`);
  const glides = settings.ornaments ? settings.glides : 'none';
  const between = tracks.reduce((sum, { notes }) => sum + notes.filter((note) => isBent(note, glides)).length, 0);
  if (between > 0 && settings.preset === 'bare')
    sentences.push(
      `Quarter tones and slides sound as plain keys (in ${between} ${between === 1 ? 'note' : 'notes'}): the preset keeps bare notes, without pitch bend.`,
    );
  return sentences;
}

/** "D.C. at bar 8" */
function jumpsOf({ signs, bars }: Score): string[] {
  return Object.entries(signs).flatMap(([bar, { jump }]) =>
    jump ? [`${jump === 'daCapo' ? 'D.C.' : 'D.S.'} at bar ${bars[Number(bar)]?.number ?? Number(bar) + 1}`] : [],
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
  technique: 'no technique is written',
  solo: 'no solo is written',
  voice: 'it has one voice',
  staff: 'it has one staff',
  lines: 'it has no chords',
};

function withoutEffect({ score, parts, tracks, settings }: Outgoing): string[] {
  const sentences: string[] = [];
  if (parts.length === 0) sentences.push('No part is chosen: the file holds tempo, meters and markers alone.');
  if (settings.files === 'sections' && score.markers.length === 0)
    sentences.push('There are no markers, so the piece is one section and leaves as one file.');
  if (settings.padPickup && !score.bars[0]?.implicit)
    sentences.push('There is no pickup to be padded: the first bar is full.');
  if (settings.treatments.some(({ does }) => OF_CONTROLLERS.has(does.kind)))
    sentences.push('A score has no controllers to be treated: its dynamics go where they are set to go.');
  for (const part of parts) {
    const moved = Object.entries(partSettings(settings, part.id).drumKeys ?? {}).filter(
      ([key, to]) => Number(key) !== to,
    );
    const struck = new Set(
      tracks.filter((track) => track.part === part.id).flatMap(({ notes }) => notes.map(({ sound }) => sound.key)),
    );
    if (moved.length > 0 && !moved.some(([key]) => struck.has(Number(key))))
      sentences.push(`The drum map of ${part.name} moves no key: none of the keys it moves is struck.`);
    const why = NOTHING_TO_SPLIT[partSettings(settings, part.id).split ?? 'none'];
    const own = tracks.filter((track) => track.part === part.id);
    // A single passage in a technique is one track too, and named after it.
    if (why && own.length <= 1 && !own[0]?.technique)
      sentences.push(`${part.name} stays one track: ${why}, so its split changes nothing.`);
  }
  return sentences;
}
