import { say } from '../../words';
import { keyName, type ScoreKey } from '../../score';
import { queryKind, type Doubt, type Remedy } from '../query-kind';

/** The signature of the file is not what its notes say. */
export interface KeySignature extends Doubt<'key-signature'> {
  facts: {
    heard: Pick<ScoreKey, 'fifths' | 'mode'>;
    /** The file says C major, as files do that nobody told. */
    byDefault: boolean;
  };
}

export const keySignature = queryKind<KeySignature>({
  kind: 'key-signature',
  effect: 'look',
  station: 'page',
  remedies: ({ facts: { heard, byDefault } }) => {
    const { fifths, mode } = heard;
    const take: Remedy = { label: keyName(heard), decision: { kind: 'setKey', fifths, mode } };
    return byDefault
      ? [take, { label: say('queries.cMajor'), decision: { kind: 'setKey', fifths: 0, mode: 'major' } }]
      : [take];
  },
});
