import type { Summary } from '../engine';
import { EXTRACTS, type Extract, type ExtractKind } from '../extracts';
import type { ScoreWish } from '../documents';
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
  /** For the contents sheet. */
  words: string;
}

export type OnShare = (share: number) => void;

export interface Task {
  /** "Pages: Flute" */
  words: string;
  make: (makers: Makers, onShare: OnShare) => Made[] | Promise<Made[]>;
}

export type ExtractWish = Pick<ScoreWish, 'leadSheet' | 'reduction'>;

/** The extracts that are wanted; none of music without pitches. */
export function extractsOf({ leadSheet, reduction }: ExtractWish, { parts }: Summary): Extract[] {
  if (parts.every(({ unpitched }) => unpitched)) return [];
  const wanted: Record<ExtractKind, boolean | undefined> = { 'lead-sheet': leadSheet, 'piano-reduction': reduction };
  return EXTRACTS.filter(({ kind }) => wanted[kind]);
}
