/* Pages and sound on the command line; engraver and sound bank are opened when the first file needs them. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { toEnd } from '../../core/base';
import type { Book, Makers, Take } from '../../core/dispatch';
import { pdfOf } from '../../paper/pdf';
import { bookPages, coverOf } from '../../paper/sheets';
import { openRenderer, type Renderer } from '../../sound/offline';
import { wavOf } from '../../sound/wav';

const BANK = 'public/sounds/general-midi.sf2';

export function nodeMakers(): Makers {
  let toolkit: ReturnType<typeof openToolkit> | null = null;
  const renderers = new Map<number, Promise<Renderer>>();
  return {
    async pdf(book: Book) {
      toolkit ??= openToolkit();
      const pages = toEnd(bookPages(await toolkit, book));
      return pdfOf(pages, { title: book.title, paper: book.paper, cover: coverOf(book) });
    },
    async wav({ stretches, gain }: Take, sampleRate: number) {
      const renderer = renderers.get(sampleRate) ?? openBank(sampleRate);
      renderers.set(sampleRate, renderer);
      return toEnd(wavOf(await renderer, stretches, sampleRate, gain));
    },
  };
}

async function openToolkit() {
  const [{ VerovioToolkit }, { default: createVerovioModule }] = await Promise.all([
    import('verovio/esm'),
    import('verovio/wasm'),
  ]);
  return new VerovioToolkit(await createVerovioModule());
}

async function openBank(sampleRate: number): Promise<Renderer> {
  const bytes = readFileSync(join(process.cwd(), BANK));
  return openRenderer(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length), sampleRate);
}
