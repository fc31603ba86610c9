import { say } from '../../words';
import { IsBoolean, IsIn, IsOptional } from 'class-validator';
import { MUSICXML_VERSIONS, type MusicXmlVersion } from '../../musicxml';
import { asTheyAre, type Delivery } from './form';

const FORMATS = ['musicxml', 'mxl'] as const;

/** MusicXML. */
export class ScoreWish {
  @IsIn(FORMATS) format!: (typeof FORMATS)[number];
  @IsIn(MUSICXML_VERSIONS) version!: MusicXmlVersion;
  /** At sounding pitch instead of as players read it. */
  @IsBoolean() concert!: boolean;
  @IsBoolean() whole!: boolean;
  /** A file for each part. */
  @IsBoolean() parts!: boolean;
  /** The tune with its chords; what two hands can play of it all. */
  @IsOptional() @IsBoolean() leadSheet?: boolean;
  @IsOptional() @IsBoolean() reduction?: boolean;
}

export const USUAL_SCORE: ScoreWish = { format: 'musicxml', version: '3.0', concert: false, whole: true, parts: false };

export const score: Delivery<ScoreWish> = {
  get name() {
    return say('documents.musicXML');
  },
  get about() {
    return say('documents.forNotationProgramsWithoutLayout');
  },
  get what() {
    return say('documents.kindsOfFiles', { kind: 'score' });
  },
  usual: USUAL_SCORE,
  Shape: ScoreWish,
  form: {
    whole: {
      get tick() {
        return say('documents.theScore');
      },
      isFile: true,
    },
    parts: {
      get tick() {
        return say('documents.eachPart');
      },
      isFile: true,
    },
    leadSheet: {
      get tick() {
        return say('documents.leadSheet');
      },
      isFile: true,
    },
    reduction: {
      get tick() {
        return say('documents.pianoReduction');
      },
      isFile: true,
    },
    format: {
      get name() {
        return say('documents.file');
      },
      few: true,
      get oneOf() {
        return [
          ['musicxml', '.musicxml'],
          ['mxl', say('documents.compressedScore')],
        ] as const;
      },
    },
    version: {
      get name() {
        return say('documents.versionOfMusicXML');
      },
      few: true,
      oneOf: asTheyAre(MUSICXML_VERSIONS),
    },
    concert: {
      get name() {
        return say('documents.pitch');
      },
      few: true,
      get oneOf() {
        return [
          [false, say('documents.asPlayersRead')],
          [true, say('documents.concert')],
        ] as const;
      },
    },
  },
};
