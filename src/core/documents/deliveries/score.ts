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
  name: 'MusicXML',
  about: 'for notation programs, without layout',
  what: 'MusicXML',
  usual: USUAL_SCORE,
  Shape: ScoreWish,
  form: {
    whole: { tick: 'The score', isFile: true },
    parts: { tick: 'Each part', isFile: true },
    leadSheet: { tick: 'Lead sheet', isFile: true },
    reduction: { tick: 'Piano reduction', isFile: true },
    format: {
      name: 'File',
      few: true,
      oneOf: [
        ['musicxml', '.musicxml'],
        ['mxl', '.mxl, compressed'],
      ],
    },
    version: { name: 'Version of MusicXML', few: true, oneOf: asTheyAre(MUSICXML_VERSIONS) },
    concert: {
      name: 'Pitch',
      few: true,
      oneOf: [
        [false, 'As players read'],
        [true, 'Concert'],
      ],
    },
  },
};
