/* Work that a recipe asks for, and the files it makes. */
import type { CameFrom } from '../engine';
import type { Makers } from './makers';

export const FOLDERS = ['Score', 'Parts', 'MIDI', 'Studio', 'Lists', 'Pages', 'Sound'] as const;
export type Folder = (typeof FOLDERS)[number];

/** A file without its place yet. */
export interface Made {
  folder: Folder;
  /** What it holds, for its name; empty for the whole. */
  label: string;
  /** Of several of its kind, from 1; 0 where it stands alone. */
  number: number;
  extension: string;
  bytes: Uint8Array;
  /** Bars a receiver should count; null where the file is no whole. */
  bars: number | null;
  /** The score it was before, where it was one. */
  from?: CameFrom;
  /** For the contents sheet. */
  words: string;
}

export type OnShare = (share: number) => void;

export interface Task {
  /** "Pages: Flute" */
  words: string;
  make: (makers: Makers, onShare: OnShare) => Made[] | Promise<Made[]>;
}
