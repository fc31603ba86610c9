import { isLanguage, say } from '@/core/words';
import { manualIn } from '@/server/manual';
import { sentence } from '@/server/routes';

/** All pages of the manual in a language. */
export async function GET(_request: Request, { params }: { params: Promise<{ language: string }> }): Promise<Response> {
  const { language } = await params;
  if (!isLanguage(language)) return sentence(say('server.noManual'), 404);
  return Response.json(await manualIn(language));
}
