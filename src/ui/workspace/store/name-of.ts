import { say } from '@/core/words';
import { isFurtherPlayer, leadingTrack, partId, type PartId, type TrackId } from '@/core/base';
import type { Opened, SequenceSummary, Summary } from '@/core/engine';

/** How people know a track or a part: by its part's name, or by its own. */
export function nameOf(
  summary: Summary | null,
  opened: Opened | null,
  id: TrackId | PartId,
  sequence: SequenceSummary | null = null,
): string {
  const part = partId(id);
  const played = sequence?.parts.find((one) => one.id === part);
  if (played) return played.name;
  const track = leadingTrack(part);
  const written =
    summary?.parts.find((one) => one.id === part) ??
    (isFurtherPlayer(part) ? undefined : summary?.parts.find((one) => one.tracks.includes(track)));
  if (written) return written.name;
  // A player that is no longer dealt out.
  if (isFurtherPlayer(part)) return `${nameOf(summary, opened, track, sequence)} ${part.slice(track.length + 1)}`;
  const survey = opened?.survey.tracks.find((candidate) => candidate.id === track);
  return survey?.name || (survey ? say('workspace.trackIndex', { index: survey.index + 1 }) : id);
}
