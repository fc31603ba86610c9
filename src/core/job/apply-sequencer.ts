import type { DirectionB, JobSettings } from './job-settings';
import type { SequencerDecision } from './sequencer-decisions';

/** The settings after one more decision about direction B. */
export function applySequencer(settings: JobSettings, decision: SequencerDecision): JobSettings {
  return { ...settings, sequencing: applied(settings.sequencing, decision) };
}

function applied(now: DirectionB, decision: SequencerDecision): DirectionB {
  switch (decision.kind) {
    case 'setSequencing': {
      const { kind: _kind, ...change } = decision;
      // A preset is where single choices start from: those made before it are gone.
      const cleared = change.preset ? { carry: {}, carryTracks: {} } : {};
      return { ...now, ...cleared, ...(defined(change) as Partial<DirectionB>) };
    }
    case 'setPartSequencing': {
      const { kind: _kind, part, ...change } = decision;
      const own = Object.fromEntries(
        Object.entries({ ...now.parts[part], ...defined(change) }).filter(([, value]) => value !== null),
      );
      return { ...now, parts: { ...now.parts, [part]: own } };
    }
    case 'setCarry': {
      const { data, action, track } = decision;
      if (track === null) return { ...now, carry: { ...now.carry, [data]: action } };
      return { ...now, carryTracks: { ...now.carryTracks, [track]: { ...now.carryTracks[track], [data]: action } } };
    }
    case 'leaveTracks': {
      const before = now.leftOutTracks.filter((track) => !decision.tracks.includes(track));
      return { ...now, leftOutTracks: decision.out ? [...before, ...decision.tracks] : before };
    }
  }
}

function defined(change: object): Record<string, unknown> {
  return Object.fromEntries(Object.entries(change).filter(([, value]) => value !== undefined));
}
