import { say } from '../../words';
import { IsBoolean, IsIn } from 'class-validator';
import type { Delivery } from './form';

export const SOUND_VERSIONS = ['received', 'written', 'delivered'] as const;
export const SAMPLE_RATES = [44100, 48000] as const;

/** WAV files, 16 bits in stereo. */
export class SoundWish {
  @IsBoolean() mix!: boolean;
  /** A file for each part, turned down as the mix is: together they are the mix. */
  @IsBoolean() stems!: boolean;
  @IsBoolean() click!: boolean;
  @IsIn(SOUND_VERSIONS) version!: (typeof SOUND_VERSIONS)[number];
  /** Hertz. */
  @IsIn(SAMPLE_RATES) sampleRate!: (typeof SAMPLE_RATES)[number];
}

/** What is heard, for people. */
export const SOUND_WORDS: Readonly<Record<(typeof SOUND_VERSIONS)[number], string>> = {
  get received() {
    return say('documents.theOriginal');
  },
  get written() {
    return say('documents.theScore2');
  },
  get delivered() {
    return say('documents.theExport');
  },
};

export const USUAL_SOUND: SoundWish = {
  mix: true,
  stems: false,
  click: false,
  version: 'delivered',
  sampleRate: 48000,
};

export const sound: Delivery<SoundWish> = {
  get name() {
    return say('documents.sound');
  },
  get about() {
    return say('documents.wAV16BitsInStereoWithTheBankChosen');
  },
  get what() {
    return say('documents.kindsOfFiles', { kind: 'sound' });
  },
  usual: USUAL_SOUND,
  Shape: SoundWish,
  form: {
    mix: {
      get tick() {
        return say('documents.mix');
      },
      isFile: true,
    },
    stems: {
      get tick() {
        return say('documents.mixAndStems');
      },
      isFile: true,
    },
    click: {
      get tick() {
        return say('documents.click');
      },
      isFile: true,
    },
    version: {
      get name() {
        return say('documents.versionOfTheSound');
      },
      oneOf: SOUND_VERSIONS.map((one) => [one, SOUND_WORDS[one]] as const),
    },
    sampleRate: {
      get name() {
        return say('documents.sampleRate');
      },
      few: true,
      oneOf: [
        [48000, '48 kHz'],
        [44100, '44.1 kHz'],
      ],
    },
  },
};
