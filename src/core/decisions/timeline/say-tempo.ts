import { say } from '../../words';
import { Equals, IsInt, IsString, MaxLength, Min, ValidateIf } from 'class-validator';
import { decisionKind } from '../decision-kind';
import { placeWords } from './mended';

/** Words of tempo at a place: "rit.", "a tempo"; null takes them away. */
export class SayTempo {
  @Equals('sayTempo') kind!: 'sayTempo';
  @IsInt() @Min(0) at!: number;
  @ValidateIf((made: SayTempo) => made.words !== null) @IsString() @MaxLength(60) words!: string | null;
}

export const sayTempo = decisionKind({
  kind: 'sayTempo',
  points: { at: 'place' },
  dto: SayTempo,
  apply: (settings, { at, words }) => ({
    ...settings,
    tempoWords: [...settings.tempoWords.filter((said) => said.at !== at), ...(words === null ? [] : [{ at, words }])],
  }),
  describe: ({ at, words }) =>
    words === null
      ? say('decisions.noWordsOfTempoPlaceWords', { placeWords: placeWords(at) })
      : `${say('base.quoted', { name: words })} ${placeWords(at)}`,
});
