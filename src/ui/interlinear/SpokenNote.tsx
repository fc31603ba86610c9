'use client';

import { say } from '@/core/words';
import { barsOnDesk, inParts, partsOnDesk, useWorkspace } from '../workspace/workspace';
import { spoken } from '../hand/speak';

/** The picked note in words, for those who hear the page. */
export function SpokenNote() {
  const picked = useWorkspace((state) => state.picked);
  const written = useWorkspace((state) => state.written);
  const bars = useWorkspace(barsOnDesk);
  const parts = useWorkspace(partsOnDesk);
  const notes = picked
    ? [
        ...new Set(
          inParts(picked)
            .flatMap((one) => one.notes)
            .flatMap((id) => written.get(id) ?? []),
        ),
      ]
    : [];
  const [first] = notes;
  const name = parts.find(({ id }) => id === first?.part)?.name ?? '';
  const named = first && spoken(first, name, bars);
  const more = notes.length - 1;
  return (
    <p className="unseen" role="status" aria-label={say('interlinear.selectedNote')}>
      {named && (more > 0 ? say('base.andMore', { named, more }) : named)}
    </p>
  );
}
