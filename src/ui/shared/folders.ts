'use client';

import { useSyncExternalStore } from 'react';
import type { FolderHandle } from '@/storage/copies';

declare global {
  interface Window {
    /** Where the browser lets a page write into a folder. */
    showDirectoryPicker?: (options: { mode: 'readwrite' }) => Promise<FolderHandle & OpenFolder>;
  }
}

/** What of the standard's folders is used, so that tests can give one of their own. */
export interface OpenFolder {
  getDirectoryHandle(name: string, options: { create: true }): Promise<OpenFolder>;
  getFileHandle(name: string, options?: { create: true }): Promise<{ createWritable(): Promise<Writable> }>;
}

interface Writable {
  write(bytes: Uint8Array<ArrayBuffer>): Promise<void>;
  close(): Promise<void>;
}

/** Known only in the browser, and the same for as long as the page is open. */
const hasFolders = () => window.showDirectoryPicker !== undefined;
const never = () => () => {};

/** Whether the browser lets a page write into folders. */
export function useFolders(): boolean {
  return useSyncExternalStore(never, hasFolders, () => false);
}
