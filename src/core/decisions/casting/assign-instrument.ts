import { say } from '../../words';
import { ArrayNotEmpty, Equals, IsArray, Matches } from 'class-validator';
import type { TrackId } from '../../base';
import { instrumentById, type InstrumentId, spokenName } from '../../instruments';
import { decisionKind, namesOf } from '../decision-kind';
import { SOME_TRACKS } from '../roles';
import { each } from '../records';
import { TRACK, IsInstrumentId } from '../validators';

export class AssignInstrument {
  @Equals('assignInstrument') kind!: 'assignInstrument';
  @IsArray() @ArrayNotEmpty() @Matches(TRACK, { each: true }) tracks!: TrackId[];
  @IsInstrumentId() instrument!: InstrumentId;
}

export const assignInstrument = decisionKind({
  kind: 'assignInstrument',
  points: SOME_TRACKS,
  dto: AssignInstrument,
  apply: (settings, made) => ({
    ...settings,
    instruments: each(settings.instruments, made.tracks, made.instrument),
  }),
  describe: (made, nameOf) =>
    say('decisions.namesOfWrittenForEn', {
      namesOf: namesOf(made.tracks, nameOf),
      en: spokenName(instrumentById(made.instrument)),
    }),
  learns: ({ tracks, instrument }) => (instrument === 'unknown' ? [] : tracks.map((track) => ({ track, instrument }))),
});
