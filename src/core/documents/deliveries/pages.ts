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
  name: 'Pages',
  about: 'PDF, for a look or for the stands; page turns are your notation program’s business',
  what: 'pages',
  usual: USUAL_PAGES,
  Shape: PagesWish,
  form: {
    score: { tick: 'The score', isFile: true },
    parts: { tick: 'Each part', isFile: true },
    allParts: { tick: 'All parts in one file', isFile: true },
    leadSheet: { tick: 'Lead sheet', isFile: true },
    reduction: { tick: 'Piano reduction', isFile: true },
    paper: {
      name: 'Paper',
      oneOf: PAPER_SIZES.map((size) => [size, size === '9x12' ? '9 × 12 in' : size] as const),
    },
    scoreStaff: { name: 'Score’s staff', ...STAFF, step: 0.2, unit: 'mm' },
    partStaff: { name: 'Parts’ staff', ...STAFF, step: 0.2, unit: 'mm' },
    barNumbers: {
      name: 'Bar numbers',
      few: true,
      oneOf: [
        ['systems', 'Each system'],
        ['every', 'Every bar'],
        ['none', 'None'],
      ],
    },
    concert: {
      name: 'Pages’ pitch',
      few: true,
      oneOf: [
        [false, 'As players read'],
        [true, 'Concert'],
      ],
    },
    cover: { name: 'Text of a cover', atMost: LONGEST_COVER },
  },
};
