import { ArrayMaxSize, ArrayMinSize, IsArray, IsString, MaxLength } from 'class-validator';
import { posted } from '@/server/posted';
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
  const wanted = await posted(request, PdfRequest);
  if (!wanted) return sentence('This is not a title with engraved pages.', 400);
  const { pages, title } = wanted;
  return answered(
    () => compute({ kind: 'pdf', pages, title }),
    { type: 'application/pdf', fileName: 'pages.pdf' },
    'These pages could not be made into a PDF; use the browser’s own print instead.',
  );
});
