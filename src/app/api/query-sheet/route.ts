import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsNumber,
  IsObject,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { posted } from '@/server/posted';
import { answered, guarded, sentence } from '@/server/routes';
import { compute } from '@/server/pool';
import { say } from '@/core/words';

export const runtime = 'nodejs';

class Drawing {
  @IsString() @MaxLength(2_000_000) svg!: string;
  @IsNumber() @Min(1) @Max(20_000) width!: number;
  @IsNumber() @Min(1) @Max(20_000) height!: number;
}

class Entry {
  @IsString() @MaxLength(300) where!: string;
  @IsString() @MaxLength(2000) question!: string;
  @ValidateIf((one: Entry) => one.drawing !== null) @ValidateNested() @Type(() => Drawing) drawing!: Drawing | null;
}

class QuerySheetRequest {
  @IsString() @MaxLength(300) title!: string;
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => Entry)
  entries!: Entry[];
}

const MOST_BYTES = 64 * 2 ** 20;

/** Queries with engraved bars in, a sheet to be answered by hand out. */
export const POST = guarded('application/json', MOST_BYTES, async (request) => {
  const wanted = await posted(request, QuerySheetRequest);
  if (!wanted) return sentence(say('server.noQueries'), 400);
  const { title, entries } = wanted;
  return answered(
    () => compute({ kind: 'query-sheet', title, entries }),
    { type: 'application/pdf', fileName: 'queries.pdf' },
    say('server.sheetFailed'),
  );
});
