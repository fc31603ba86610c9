import { say } from '@/core/words';
import type { BookPage } from '@/paper/sheets';
import { download } from '../shared/download';
import { answerOf } from '@/workers/ask';

/**
 * Engraved pages as a PDF file, made on this machine by the application's own server.
 * @throws Error with one sentence
 */
export async function pdf(pages: readonly BookPage[], title: string, fileName: string): Promise<void> {
  const otherwise = say('page.thePDFCouldNotBeMadeUseTheBrowsers');
  download(await answerOf('/api/pdf', { title, pages }, otherwise), fileName, 'application/pdf');
}
