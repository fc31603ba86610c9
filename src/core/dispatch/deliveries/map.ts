import { inNumbers, say } from '../../words';
import type { MapWish } from '../../documents';
import { USUAL_CLICK, type StudioMapSettings } from '../../studio';
import type { DispatchDesk, Working } from '../dispatch-desk';
import { OF_TIME, type Draft } from '../draft';
import type { Task } from '../task';
import type { Deliverer } from './deliverer';

function* tasks(desk: DispatchDesk, wish: MapWish): Generator<Working, Task[]> {
  const { desk: made } = yield* desk.made();
  const task: Task = {
    words: say('dispatchCore.studioMap'),
    make: () => {
      const { midi: bytes, drift, tempos, barOne } = made.studio(studioSettings(wish));
      const words = say('dispatchCore.standardMIDIFileWithTempoMeters', {
        wishClick: Boolean(wish.click),
        tempos,
        barOne,
        largest: inNumbers(drift.largest, 2),
      });
      return [
        {
          folder: 'Studio',
          label: say('dispatchCore.studioMap'),
          number: 0,
          extension: 'mid',
          bytes,
          bars: null,
          words,
        },
      ];
    },
  };
  return [task];
}

/** As the studio's map is made by them. */
export const studioSettings = ({ click, ...wish }: MapWish): StudioMapSettings => ({
  ...wish,
  click: click ? USUAL_CLICK : null,
});

function* foretell(draft: Draft, wish: MapWish): Generator<Working, void> {
  const { summary } = yield* draft.desk.made();
  draft.says(mapInWords(wish), 1);
  draft.concern(summary.queries, OF_TIME);
}

function mapInWords({ click, countIn, ticksPerQuarter, tolerance }: MapWish): string {
  const extra = [
    ...(click ? [say('dispatchCore.aClick')] : []),
    ...(countIn > 0 ? [say('dispatchCore.barCountedIn', { countIn })] : []),
    tolerance > 0
      ? say('dispatchCore.tempoThinnedWithinToleranceMs', { tolerance })
      : say('dispatchCore.everyTempoChange'),
  ];
  return say('dispatchCore.studioMapTempoMetersKeysAndMarkers', { ticksPerQuarter, extra: extra.join(', ') });
}

/** The studio's map. */
export const map: Deliverer<'map'> = { tasks, foretell };
