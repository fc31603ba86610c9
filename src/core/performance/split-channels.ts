import { say } from '../words';
import { trackId } from '../base';
import type { Performance, PlayedTrack, TrackId } from './performance';

/** Tracks that carry notes on more than one channel and could be split. */
export function mixedTracks(performance: Performance): PlayedTrack[] {
  return performance.tracks.filter((track) => track.channels.length > 1);
}

/**
 * The same performance with some tracks split by channel: "t3" becomes "t3c1", "t3c2" … in order of channel. Notes keep
 * their ids. Tracks that carry one channel stay as they are.
 */
export function splitChannels(performance: Performance, tracks: Readonly<Record<TrackId, true>>): Performance {
  if (!performance.tracks.some((track) => tracks[track.id])) return performance;
  return {
    ...performance,
    tracks: performance.tracks.flatMap((track) =>
      tracks[track.id] && track.channels.length > 1 ? split(track) : [track],
    ),
  };
}

function split(track: PlayedTrack): PlayedTrack[] {
  const own = <T extends { channel: number }>(list: readonly T[], channel: number) =>
    list.filter((one) => one.channel === channel);
  return [...track.channels]
    .sort((a, b) => a - b)
    .map((channel) => ({
      ...track,
      id: trackId(`${track.id}c${channel}`),
      name: [track.name, say('performance.channelChannel', { channel })].filter(Boolean).join(' · '),
      channels: [channel],
      programs: own(track.programs, channel),
      notes: own(track.notes, channel),
      controllers: own(track.controllers, channel),
      bends: own(track.bends, channel),
    }));
}
