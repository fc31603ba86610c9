/* What the core cannot make by itself: pages and sound need an engraver and a synthesizer, which each way in brings along. */
import type { Stretch } from '../hearing';
import type { PagesWish, PaperSize } from '../documents';

/** One score or part to be laid out. */
export interface Sheet {
  mei: string;
  /** The part's name; empty for the score. */
  name: string;
  /** Height of a five-line staff. */
  staffMillimetres: number;
}

/** Sheets that become one PDF. */
export interface Book {
  title: string;
  composer: string;
  /** Text of a first page; none where it is empty. */
  cover: string;
  paper: PaperSize;
  barNumbers: PagesWish['barNumbers'];
  sheets: readonly Sheet[];
}

/** Music that becomes one WAV file. */
export interface Take {
  stretches: readonly Stretch[];
  /** As another take was turned down; null for as much as is needed. */
  gain: number | null;
}

export interface Makers {
  /** @param onShare how far it is, 0–1 */
  pdf(book: Book, onShare: (share: number) => void): Promise<Uint8Array>;
  /** @param sampleRate Hertz @returns the file, and what it was turned down by */
  wav(take: Take, sampleRate: number, onShare: (share: number) => void): Promise<{ wav: Uint8Array; gain: number }>;
}
