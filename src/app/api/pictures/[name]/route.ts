import { pictureNamed } from '@/server/manual';
import { sentence } from '@/server/routes';
import { say } from '@/core/words';

/** A picture of the manual. */
export async function GET(_request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  const picture = await pictureNamed((await params).name);
  if (!picture) return sentence(say('server.noPicture'), 404);
  return new Response(picture, { headers: { 'content-type': 'image/png', 'cache-control': 'max-age=3600' } });
}
