import { plainToInstance } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsString, MaxLength, validateSync } from 'class-validator';
import 'reflect-metadata';
import { pdfOf } from '@/server/pdf';

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

/** Engraved pages in, one PDF out. Everything happens on this machine. */
export async function POST(request: Request): Promise<Response> {
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
  try {
    const bytes = await pdfOf(wanted.pages, wanted.title);
    return new Response(bytes as BodyInit, { headers: { 'content-type': 'application/pdf' } });
  } catch {
    return sentence('These pages could not be made into a PDF; use the browser’s own print instead.', 422);
  }
}

function sentence(error: string, status: number): Response {
  return Response.json({ error }, { status });
}
