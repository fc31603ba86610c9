import { say } from '../../words';
import { Equals, IsIn, IsInt, IsOptional, Max, Min, ValidateIf } from 'class-validator';
import { BY_HAND, CHANNEL_PLANS, type Arranging, type ByHand, type ChannelPlan } from '../../settings';
import { decisionKind } from '../decision-kind';
import { NOWHERE } from '../roles';
import { defined } from '../records';

/** How the tracks of a MIDI file are set up; null means as in the file. */
export class SetArranging {
  @Equals('setArranging') kind!: 'setArranging';
  @IsOptional() @IsIn(['received', 'instrument']) sounds?: Arranging['sounds'];
  @IsOptional() @IsIn(['received', 'instrument']) names?: Arranging['names'];
  @IsOptional() @IsIn(['received', ...CHANNEL_PLANS]) channels?: 'received' | ChannelPlan;
  @IsOptional() @ValidateIf((one: SetArranging) => one.type !== null) @IsIn([0, 1]) type?: 0 | 1 | null;
  @IsOptional()
  @ValidateIf((one: SetArranging) => one.ticksPerQuarter !== null)
  @IsInt()
  @Min(24)
  @Max(15360)
  ticksPerQuarter?: number | null;
  @IsOptional() @IsInt() @Min(0) @Max(64) emptyBars?: number;
  @IsOptional() @IsIn(BY_HAND) byHand?: ByHand;
}

export const setArranging = decisionKind({
  kind: 'setArranging',
  points: NOWHERE,
  dto: SetArranging,
  apply: (settings, { kind: _kind, ...change }) => {
    const { sequencing } = settings;
    const arranging: Arranging = { ...sequencing.arranging, ...defined(change) };
    return { ...settings, sequencing: { ...sequencing, arranging } };
  },
  describe: (made) => inWords(made).join('; ') || say('decisions.nothingChanged'),
});

function inWords({ sounds, names, channels, type, ticksPerQuarter, emptyBars, byHand }: SetArranging): string[] {
  const words: string[] = [];
  if (sounds) words.push(sounds === 'received' ? say('decisions.originalSounds') : say('decisions.soundsByInstrument'));
  if (names)
    words.push(names === 'received' ? say('decisions.originalTrackNames') : say('decisions.tracksNamedByInstrument'));
  if (channels)
    words.push(
      {
        received: say('decisions.originalChannels'),
        'by-part': say('decisions.aChannelForEachTrack'),
        'one-channel': say('decisions.allOnOneChannel'),
      }[channels],
    );
  if (type !== undefined)
    words.push(type === null ? say('decisions.originalSMFType') : say('decisions.sMFTypeType', { type }));
  if (ticksPerQuarter !== undefined)
    words.push(
      ticksPerQuarter === null
        ? say('decisions.originalTicks')
        : say('decisions.ticksPerQuarterTicksPerQuarter', { ticksPerQuarter }),
    );
  if (emptyBars !== undefined) words.push(say('decisions.oneEmptyBarBeforeTheMusic', { emptyBars }));
  if (byHand)
    words.push(
      {
        pitches: say('decisions.editedNotesExportedWithTheir'),
        all: say('decisions.editedNotesExportedWithTheir2'),
        none: say('decisions.editedNotesExportedAsInTheOriginal'),
      }[byHand],
    );
  return words;
}
