import { download } from '../shared/download';

/**
 * Engraved pages as a PDF file, made on this machine by the application's own server.
 * @throws Error with one sentence
 */
export async function pdf(pages: readonly string[], title: string, fileName: string): Promise<void> {
  const answer = await fetch('/api/pdf', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ title, pages }),
  });
  if (!answer.ok) {
    const said = (await answer.json().catch(() => null)) as { error?: string } | null;
    throw new Error(said?.error ?? 'The PDF could not be made; use the browser’s own print instead.');
  }
  download(new Uint8Array(await answer.arrayBuffer()), fileName, 'application/pdf');
}
