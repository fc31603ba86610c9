import { useWorkspace } from './workspace';
import type { DirectionB } from '@/core/settings';
import { settingsOf } from '@/core/documents';
import type { MidiSequence, ScoreSequence } from '@/core/engine';

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
