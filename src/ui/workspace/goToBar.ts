import type { PartId } from '@/core/base';
import type { Agreement } from '@/core/proof';
import { goToStation } from './goToStation';
import { useWorkspace, partsOnDesk } from './workspace';

/** Opens a bar of a part in the interlinear view. Bars of an agreement are played ones, in order. */
export function goToBar({ parts, bars }: Agreement, part: number, bar: number): void {
  const state = useWorkspace.getState();
  const known = partsOnDesk(state).find(({ id }) => id === parts[part]!.id);
  const order = state.direction === 'to-sequencer' && state.sequence?.kind === 'score' ? state.sequence.order : null;
  const from = order ? (order[bar] ?? 0) : Math.min(bar, bars.length - 1);
  const shown: PartId[] =
    known && !state.passage.parts.includes(known.id) ? [known.id, ...state.passage.parts] : state.passage.parts;
  state.show({ from: Math.max(0, from - 1), parts: shown });
  // A MIDI file that is only cleaned has no written side.
  if (state.job) goToStation(state.job.id, 'rhythm');
}

/** Opens a bar of the score with some parts in the interlinear view. */
export function openBar(bar: number, parts: readonly PartId[]): void {
  const { show, job } = useWorkspace.getState();
  show({ from: Math.max(0, bar - 1), parts: [...parts] });
  if (job) goToStation(job.id, 'rhythm');
}
