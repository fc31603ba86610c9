import type { Passage } from '@/core/proof';
import { engraveWorker, type Engraving } from '@/workers/engrave-client';
import music from '../shared/engraving.module.css';
import { lackingIn } from '../engraved/staves';

interface Room {
  width: number;
  staffHeight: number;
  laneHeight: number;
  marksHeight: number;
  below: boolean;
}

/**
 * Engraves a passage so that played lines cover nothing of it: what a first drawing turns out to lack, measured out of
 * sight, the second one has.
 */
export async function engravePassage(passage: Passage, room: Room): Promise<Engraving> {
  const engraver = engraveWorker();
  const first = await engraver.system(passage.mei, room);
  const more = outOfSight(first, room.width, (root) => lackingIn(root, passage, room));
  return more ? engraver.system(passage.mei, { ...room, more }) : first;
}

/** Reads something off a drawing that nobody sees. */
function outOfSight<T>({ svg }: Engraving, width: number, read: (root: HTMLElement) => T): T {
  const root = document.createElement('div');
  root.className = music.engraved ?? '';
  Object.assign(root.style, { position: 'absolute', left: '0', top: '0', width: `${width}px`, visibility: 'hidden' });
  root.innerHTML = svg;
  document.body.append(root);
  try {
    return read(root);
  } finally {
    root.remove();
  }
}
