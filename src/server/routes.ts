/* What every route does before and after its own work. */
import { TaskError } from './pool';
import { say } from '@/core/words';

export function sentence(error: string, status: number): Response {
  return Response.json({ error }, { status });
}

/**
 * A route that only pages of this application, and programs on this machine, may ask: other sites may not, not even by a
 * form; the body has the type and at most the size that is said.
 */
export function guarded(
  type: string,
  mostBytes: number,
  work: (request: Request) => Promise<Response>,
): (request: Request) => Promise<Response> {
  return async (request) => {
    const { headers } = request;
    const site = headers.get('sec-fetch-site');
    const origin = headers.get('origin');
    if ((site !== null && site !== 'same-origin' && site !== 'none') || (origin !== null && !sameHost(origin, headers)))
      return sentence(say('server.otherSites'), 403);
    if (!headers.get('content-type')?.toLowerCase().startsWith(type))
      return sentence(say('server.sendType', { type }), 415);
    const length = headers.get('content-length');
    // What does not say its length may be cut on its way here without a word.
    if (length === null) return sentence(say('server.sayLength'), 411);
    // Refused before a byte of it is read.
    if (Number(length) > mostBytes) return sentence(tooLarge(Number(length), mostBytes), 413);
    return work(request);
  };
}

/** @param size in bytes @param most in bytes */
export const tooLarge = (size: number, most: number): string =>
  say('server.tooLarge', { size: Math.round(size / 2 ** 20), most: Math.round(most / 2 ** 20) });

function sameHost(origin: string, headers: Headers): boolean {
  return URL.canParse(origin) && new URL(origin).host === headers.get('host');
}

/** @param otherwise what is said when the work fails for no reason of the sender's @param before in front of a refusal */
export async function answered(
  work: () => Promise<Uint8Array>,
  { type, fileName }: { type: string; fileName: string },
  otherwise: string,
  before = '',
): Promise<Response> {
  try {
    // Never a shared buffer: it came from another thread as a copy.
    // oxlint-disable-next-line typescript/no-unsafe-type-assertion
    return new Response((await work()) as Uint8Array<ArrayBuffer>, {
      headers: {
        'content-type': type,
        'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(fileName.toWellFormed())}`,
      },
    });
  } catch (error) {
    if (error instanceof TaskError) return sentence(before + error.message, error.status);
    return sentence(otherwise, 500);
  }
}
