/*
 * The views of the stations, each loaded by itself: a job is opened with the one that is looked at, the others follow one
 * after the other, so that none of them holds the page up and all are there without the server.
 */
import { lazy, type ComponentType } from 'react';
import type { StationId } from '../workspace/stations';

type Load = () => Promise<{ default: ComponentType }>;

const loadOf = new Map<ComponentType, Load>();

function view(load: Load): ComponentType {
  const View = lazy(load);
  loadOf.set(View, load);
  return View;
}

const shared = {
  timeline: view(() => import('../timeline/TimelineView').then((m) => ({ default: m.TimelineView }))),
  proof: view(() => import('../proof/ProofView').then((m) => ({ default: m.ProofView }))),
  dispatch: view(() => import('../dispatch/DispatchView').then((m) => ({ default: m.DispatchView }))),
};

/** By what is on the desk: music on the way to a score, a score or a MIDI file on the way to a sequencer. */
export const VIEWS: Record<'to-score' | 'score' | 'midi', Partial<Record<StationId, ComponentType>>> = {
  'to-score': {
    intake: view(() => import('../intake/IntakeView').then((m) => ({ default: m.IntakeView }))),
    casting: view(() => import('../casting/CastingView').then((m) => ({ default: m.CastingView }))),
    rhythm: view(() => import('../rhythm/RhythmView').then((m) => ({ default: m.RhythmView }))),
    page: view(() => import('../page/PageView').then((m) => ({ default: m.PageView }))),
    ...shared,
  },
  score: {
    intake: view(() => import('../intake/ScoreIntake').then((m) => ({ default: m.ScoreIntake }))),
    casting: view(() => import('../casting/SoundsView').then((m) => ({ default: m.SoundsView }))),
    rhythm: view(() => import('../rhythm/PlayingView').then((m) => ({ default: m.PlayingView }))),
    ...shared,
  },
  midi: {
    intake: view(() => import('../intake/CleaningView').then((m) => ({ default: m.CleaningView }))),
    casting: view(() => import('../casting/MidiTracksView').then((m) => ({ default: m.MidiTracksView }))),
    rhythm: view(() => import('../rhythm/MidiPlayingView').then((m) => ({ default: m.MidiPlayingView }))),
    ...shared,
  },
};

/**
 * Loads every view, one at a time. What cannot be loaded now is loaded when its station is opened.
 *
 * @param first the station that is looked at
 */
export async function loadAllViews(first: StationId): Promise<void> {
  const looked = Object.values(VIEWS).flatMap((views) => views[first] ?? []);
  for (const View of new Set([...looked, ...loadOf.keys()])) {
    await loadOf
      .get(View)?.()
      .catch(() => undefined);
    await untilIdle();
  }
}

/** Soon, when the page has nothing else to do; not every browser says when that is. */
function untilIdle(): Promise<unknown> {
  return new Promise((resolve) =>
    'requestIdleCallback' in window ? requestIdleCallback(resolve, { timeout: 500 }) : setTimeout(resolve, 20),
  );
}
