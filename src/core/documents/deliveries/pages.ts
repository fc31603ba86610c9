import { say } from '../../words';
import { IsBoolean, IsIn, IsNumber, IsOptional, IsString, Max, MaxLength, Min } from 'class-validator';
import type { Delivery } from './form';

export const PAPER_SIZES = ['A4', 'Letter', '9x12', 'A3'] as const;
export type PaperSize = (typeof PAPER_SIZES)[number];

export const BAR_NUMBERS = ['systems', 'every', 'none'] as const;

/** Millimetres. */
const STAFF = { from: 2, to: 12 };
const LONGEST_COVER = 2000;

/** Pages as PDF. */
export class PagesWish {
  @IsBoolean() score!: boolean;
  /** A file for each part. */
  @IsBoolean() parts!: boolean;
  /** All parts one after the other in one file. */
  @IsBoolean() allParts!: boolean;
  @IsOptional() @IsBoolean() leadSheet?: boolean;
  @IsOptional() @IsBoolean() reduction?: boolean;
  @IsBoolean() concert!: boolean;
  @IsIn(PAPER_SIZES) paper!: PaperSize;
  /** Height of a five-line staff in millimetres, in the score and in parts. */
  @IsNumber() @Min(STAFF.from) @Max(STAFF.to) scoreStaff!: number;
  @IsNumber() @Min(STAFF.from) @Max(STAFF.to) partStaff!: number;
  @IsIn(BAR_NUMBERS) barNumbers!: (typeof BAR_NUMBERS)[number];
  /** Text of a first page of its own; none where it is empty. */
  @IsString() @MaxLength(LONGEST_COVER) cover!: string;
}

/** Staves of a score are smaller than those of a part (usual sizes of engraving handbooks, from memory). */
export const USUAL_PAGES: PagesWish = {
  score: true,
  parts: true,
  allParts: false,
  concert: false,
  paper: 'A4',
  scoreStaff: 4.4,
  partStaff: 6.6,
  barNumbers: 'systems',
  cover: '',
};

export const pages: Delivery<PagesWish> = {
  get name() {
    return say('documents.pages');
  },
  get about() {
    return say('documents.pDFForALookOrForTheStandsPageTurns');
  },
  get what() {
    return say('documents.kindsOfFiles', { kind: 'pages' });
  },
  usual: USUAL_PAGES,
  Shape: PagesWish,
  form: {
    score: {
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
    allParts: {
      get tick() {
        return say('documents.allPartsInOneFile');
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
    paper: {
      get name() {
        return say('documents.paper');
      },
      oneOf: PAPER_SIZES.map((size) => [size, size === '9x12' ? '9 × 12 in' : size] as const),
    },
    scoreStaff: {
      get name() {
        return say('documents.scoresStaff');
      },
      ...STAFF,
      step: 0.2,
      unit: 'mm',
    },
    partStaff: {
      get name() {
        return say('documents.partsStaff');
      },
      ...STAFF,
      step: 0.2,
      unit: 'mm',
    },
    barNumbers: {
      get name() {
        return say('documents.barNumbers');
      },
      few: true,
      get oneOf() {
        return [
          ['systems', say('documents.eachSystem')],
          ['every', say('documents.everyBar')],
          ['none', say('documents.none')],
        ] as const;
      },
    },
    concert: {
      get name() {
        return say('documents.pagesPitch');
      },
      few: true,
      get oneOf() {
        return [
          [false, say('documents.asPlayersRead')],
          [true, say('documents.concert')],
        ] as const;
      },
    },
    cover: {
      get name() {
        return say('documents.textOfACover');
      },
      atMost: LONGEST_COVER,
    },
  },
};
