/* Names, sounds, channels and ports of the tracks, as received or as the instruments and the settings want them. */
import type { Casting, CastPart } from '../../casting';
import { PERCUSSION_CHANNEL } from '../../performance';
import { partSettings, type DirectionB } from '../../settings';
import type { WorkingTrack } from './working-tracks';

/** Channels of one port without that of percussion. */
const PITCHED = Array.from({ length: 16 }, (_, i) => i + 1).filter((channel) => channel !== PERCUSSION_CHANNEL);

/** @returns the tracks with what they are called, sound as and go out on; those nothing changes in are the same objects */
export function setUp(tracks: readonly WorkingTrack[], casting: Casting, settings: DirectionB): WorkingTrack[] {
  const parts = new Map(casting.parts.map((part) => [part.id, part]));
  return onChannels(
    tracks.map((track) => withNameAndSound(track, parts.get(track.part)!, settings)),
    settings,
  );
}

function withNameAndSound(track: WorkingTrack, cast: CastPart, settings: DirectionB): WorkingTrack {
  const own = partSettings(settings, track.part);
  const { names, sounds } = settings.arranging;
  const byInstrument = sounds === 'instrument' && !cast.instrument.unpitched ? cast.instrument.programs[0] : undefined;
  const sound = track.sound ?? own.program ?? byInstrument ?? null;
  const base = own.trackName ?? (names === 'instrument' || cast.player ? cast.name : track.name);
  const name = track.passage ? track.label : [base, track.label].filter(Boolean).join(' ');
  return name === track.name && sound === null ? track : { ...track, name, sound, touched: true };
}

function onChannels(tracks: readonly WorkingTrack[], settings: DirectionB): WorkingTrack[] {
  const { channels } = settings.arranging;
  const own = (track: WorkingTrack) => partSettings(settings, track.part).channel;
  if (channels === 'received')
    return withPassagesApart(tracks.map((track) => moved(track, own(track) ?? null, track.port)));
  let pitched = 0;
  return tracks.map((track) => {
    if (track.unpitched) return moved(track, PERCUSSION_CHANNEL, null);
    if (channels === 'one-channel') return moved(track, own(track) ?? 1, null);
    const slot = pitched++;
    const free = PITCHED[slot % PITCHED.length]!;
    return moved(track, own(track) ?? free, own(track) === undefined ? Math.floor(slot / PITCHED.length) : 0);
  });
}

/** A passage with a sound of its own needs a channel of its own, where one is free. */
function withPassagesApart(tracks: readonly WorkingTrack[]): WorkingTrack[] {
  const used = new Set(tracks.map(({ channel }) => channel));
  return tracks.map((track) => {
    const shares = tracks.some(
      (other) => !other.passage && other.channel === track.channel && other.sound !== track.sound,
    );
    const free = track.passage && shares ? PITCHED.find((channel) => !used.has(channel)) : undefined;
    if (free === undefined) return track;
    used.add(free);
    return moved(track, free, track.port);
  });
}

/** @param channel null leaves each note on its own */
function moved(track: WorkingTrack, channel: number | null, port: number | null): WorkingTrack {
  if (channel === null) return track;
  const there =
    track.notes.every((note) => note.channel === channel) &&
    track.channel === channel &&
    (track.port ?? 0) === (port ?? 0);
  if (there) return track;
  const notes = track.notes.map((note) => ({ ...note, channel }));
  return { ...track, notes, channel, port, touched: true };
}
