import { say } from '../../words';
import { ArrayMaxSize, Equals, IsArray, IsBoolean, IsInt, Min } from 'class-validator';
import { decisionKind } from '../decision-kind';

/** Track chunks of a MIDI file that do not go along. */
export class LeaveTracks {
  @Equals('leaveTracks') kind!: 'leaveTracks';
  @IsArray() @ArrayMaxSize(10_000) @IsInt({ each: true }) @Min(0, { each: true }) tracks!: number[];
  @IsBoolean() out!: boolean;
}

export const leaveTracks = decisionKind({
  kind: 'leaveTracks',
  points: { tracks: 'chunk' },
  dto: LeaveTracks,
  apply: (settings, { tracks, out }) => {
    const { sequencing } = settings;
    const others = sequencing.leftOutTracks.filter((track) => !tracks.includes(track));
    return { ...settings, sequencing: { ...sequencing, leftOutTracks: out ? [...others, ...tracks] : others } };
  },
  describe: ({ tracks, out }) =>
    `${tracks.length === 1 ? say('decisions.trackTracks', { tracks: tracks[0]! + 1 }) : say('decisions.tracksTracks', { tracks: tracks.length })} ${out ? say('decisions.leftOut') : say('decisions.included')}`,
});
