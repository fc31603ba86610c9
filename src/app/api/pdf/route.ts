import { plainToInstance } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsString, MaxLength, validateSync } from 'class-validator';
import 'reflect-metadata';
import { answered, guarded, sentence } from '@/server/routes';
import { compute } from '@/server/pool';

export const runtime = 'nodejs';

class PdfRequest {
  @IsString() @MaxLength(300) title!: string;
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(2000)
  @IsString({ each: true })
  @MaxLength(8_000_000, { each: true })
  pages!: string[];
}

const MOST_BYTES = 64 * 2 ** 20;

/** Engraved pages in, one PDF out. Everything happens on this machine. */
export const POST = guarded('application/json', MOST_BYTES, async (request) => {
  let body: unknown;
  try {
    body = await request.json();
  } catch {
    return sentence('The pages did not arrive whole; try again.', 400);
  }
  const wanted = plainToInstance(PdfRequest, body);
  if (
    typeof body !== 'object' ||
    body === null ||
    validateSync(wanted, { whitelist: true, forbidNonWhitelisted: true }).length > 0
  )
    return sentence('This is not a title with engraved pages.', 400);
  const { pages, title } = wanted;
  return answered(
    () => compute({ kind: 'pdf', pages, title }),
    { type: 'application/pdf', fileName: 'pages.pdf' },
    'These pages could not be made into a PDF; use the browser’s own print instead.',
  );
});
