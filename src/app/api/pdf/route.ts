import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsObject,
  IsOptional,
  IsString,
  MaxLength,
  ValidateNested,
} from 'class-validator';
import { PAPER_SIZES, type PaperSize } from '@/core/documents';
import { posted } from '@/server/posted';
import { answered, guarded, sentence } from '@/server/routes';
import { compute } from '@/server/pool';
import { say } from '@/core/words';

export const runtime = 'nodejs';

class Page {
  @IsString() @MaxLength(8_000_000) svg!: string;
  @IsString() @MaxLength(300) left!: string;
  @IsString() @MaxLength(300) right!: string;
}

class Cover {
  @IsString() @MaxLength(300) title!: string;
  @IsString() @MaxLength(300) composer!: string;
  @IsString() @MaxLength(2000) text!: string;
}

class PdfRequest {
  @IsString() @MaxLength(300) title!: string;
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(2000)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => Page)
  pages!: Page[];
  @IsOptional() @IsIn(PAPER_SIZES) paper?: PaperSize;
  @IsOptional() @ValidateNested() @Type(() => Cover) cover?: Cover;
}

const MOST_BYTES = 64 * 2 ** 20;

/** Engraved pages in, one PDF out. Everything happens on this machine. */
export const POST = guarded('application/json', MOST_BYTES, async (request) => {
  const wanted = await posted(request, PdfRequest);
  if (!wanted) return sentence(say('server.noPages'), 400);
  const { pages, title, paper = 'A4', cover = null } = wanted;
  return answered(
    () => compute({ kind: 'pdf', pages, how: { title, paper, cover } }),
    { type: 'application/pdf', fileName: 'pages.pdf' },
    say('server.pagesFailed'),
  );
});
