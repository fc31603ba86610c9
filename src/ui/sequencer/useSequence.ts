import { settingsOf, type DirectionB } from '@/core/job';
import type { MidiSequence, ScoreSequence } from '@/workers/engine-client';
import { useWorkspace } from '../job/workspace';

/** A score on its way to a sequencer, and the settings that are in force. */
export function useScoreSequence(): { sequence: ScoreSequence; settings: DirectionB } {
  const sequence = useWorkspace((state) => state.sequence);
  const ledger = useWorkspace((state) => state.ledger)!;
  return { sequence: sequence as ScoreSequence, settings: settingsOf(ledger).sequencing };
}

export function useMidiSequence(): { sequence: MidiSequence; settings: DirectionB } {
  const sequence = useWorkspace((state) => state.sequence);
  const ledger = useWorkspace((state) => state.ledger)!;
  return { sequence: sequence as MidiSequence, settings: settingsOf(ledger).sequencing };
}
