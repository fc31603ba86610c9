import { say } from '@/core/words';
/**
 * Asks one of the application's own routes for a file.
 * @param otherwise what is said when it gives no reason @throws Error with one sentence
 */
export async function answerOf(route: string, wanted: object, otherwise: string): Promise<Uint8Array> {
  const answer = await fetch(route, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(wanted),
  }).catch(() => {
    throw new Error(`${otherwise} ${say('workers.theServerDidNotAnswer')}`);
  });
  if (answer.ok) return new Uint8Array(await answer.arrayBuffer());
  const said: unknown = await answer.json().catch(() => null);
  const reason = typeof said === 'object' && said !== null && 'error' in said ? said.error : null;
  throw new Error(typeof reason === 'string' ? reason : otherwise);
}
