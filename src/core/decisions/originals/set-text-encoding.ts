import { say } from '../../words';
import { Equals, IsIn, ValidateIf } from 'class-validator';
import { TEXT_ENCODINGS, type TextEncoding } from '../../smf';
import { decisionKind } from '../decision-kind';
import { NOWHERE } from '../roles';
import { encodingName } from '../words';

/** In which encoding the names and texts of the files are written; null leaves it to the reader again. */
export class SetTextEncoding {
  @Equals('setTextEncoding') kind!: 'setTextEncoding';
  @ValidateIf((one: SetTextEncoding) => one.encoding !== null) @IsIn(TEXT_ENCODINGS) encoding!: TextEncoding | null;
}

export const setTextEncoding = decisionKind({
  kind: 'setTextEncoding',
  points: NOWHERE,
  dto: SetTextEncoding,
  apply: (settings, made) => {
    const { encoding: _encoding, ...rest } = settings;
    return made.encoding === null ? rest : { ...rest, encoding: made.encoding };
  },
  describe: (made) =>
    made.encoding === null
      ? say('decisions.textsOfTheFileEncodingGuessed')
      : say('decisions.textsOfTheFileReadAsEncodingName', { encodingName: encodingName(made.encoding) }),
});
