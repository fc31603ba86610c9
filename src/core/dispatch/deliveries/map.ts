import type { MapWish } from '../../documents';
import { USUAL_CLICK, type StudioMapSettings } from '../../studio';
import type { DispatchDesk, Working } from '../dispatch-desk';
import { many, number, OF_TIME, type Draft } from '../draft';
import type { Task } from '../task';
import type { Deliverer } from './deliverer';

function* tasks(desk: DispatchDesk, wish: MapWish): Generator<Working, Task[]> {
  const { desk: made } = yield* desk.made();
  const task: Task = {
    words: 'Studio map',
    make: () => {
      const { midi: bytes, drift, tempos, barOne } = made.studio(studioSettings(wish));
      const words = `Standard MIDI File with tempo, meters, keys and markers${wish.click ? ' and a click' : ''}; ${tempos} tempo changes. ${barOne} Read back, no bar begins more than ${drift.largest.toFixed(2)} ms from where it should`;
      return [{ folder: 'Studio', label: 'Studio map', number: 0, extension: 'mid', bytes, bars: null, words }];
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
    ...(click ? ['a click'] : []),
    ...(countIn > 0 ? [`${many(countIn, 'bar')} counted in`] : []),
    tolerance > 0 ? `tempo thinned within ${tolerance} ms` : 'every tempo change',
  ];
  return `Studio map: tempo, meters, keys and markers at ${number(ticksPerQuarter)} ticks, ${extra.join(', ')}.`;
}

/** The studio's map. */
export const map: Deliverer<'map'> = { tasks, foretell };
