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
  describe: (made) => inWords(made).join('; ') || 'Nothing changed',
});

function inWords({ sounds, names, channels, type, ticksPerQuarter, emptyBars, byHand }: SetArranging): string[] {
  const words: string[] = [];
  if (sounds) words.push(sounds === 'received' ? 'Original sounds' : 'Sounds by instrument');
  if (names) words.push(names === 'received' ? 'Original track names' : 'Tracks named by instrument');
  if (channels)
    words.push(
      { received: 'Original channels', 'by-part': 'A channel for each track', 'one-channel': 'All on one channel' }[
        channels
      ],
    );
  if (type !== undefined) words.push(type === null ? 'Original SMF type' : `SMF type ${type}`);
  if (ticksPerQuarter !== undefined)
    words.push(ticksPerQuarter === null ? 'Original ticks' : `${ticksPerQuarter} ticks per quarter`);
  if (emptyBars !== undefined)
    words.push(`${emptyBars === 1 ? 'One empty bar' : `${emptyBars} empty bars`} before the music`);
  if (byHand)
    words.push(
      {
        pitches: 'Edited notes exported with their pitches',
        all: 'Edited notes exported with their pitches and times',
        none: 'Edited notes exported as in the original',
      }[byHand],
    );
  return words;
}
