/* How every kind of file that leaves the house is made; what a recipe says of it stands in `documents/deliveries/`. */
import { DELIVERIES, type DeliveryKind, type Recipe, type Wishes } from '../../documents';
import type { DispatchDesk, Working } from '../dispatch-desk';
import type { Draft } from '../draft';
import type { Task } from '../task';
import type { Deliverer } from './deliverer';
import { lists } from './lists';
import { map } from './map';
import { midi } from './midi';
import { pages } from './pages';
import { score } from './score';
import { sound } from './sound';

const DELIVERERS: { [K in DeliveryKind]: Deliverer<K> } = { score, midi, map, lists, pages, sound };

const delivererOf = <K extends DeliveryKind>(kind: K): Deliverer<K> => DELIVERERS[kind];
const wishOf = <K extends DeliveryKind>(recipe: Wishes, kind: K): Wishes[K] => recipe[kind];

/** Everything the recipe asks for, in order. @throws SmfError or MusicXmlError when an original cannot be used so */
export function* tasksOf(desk: DispatchDesk, recipe: Recipe, date: string): Generator<Working, Task[]> {
  const tasks: Task[] = [];
  for (const kind of DELIVERIES) {
    const wish = wishOf(recipe, kind);
    if (wish) tasks.push(...(yield* delivererOf(kind).tasks(desk, wish, recipe, date)));
  }
  return tasks;
}

/** Says of one kind of file what there will be, where the recipe asks for it. */
export function* foretell(draft: Draft, recipe: Recipe, kind: DeliveryKind): Generator<Working, void> {
  const wish = wishOf(recipe, kind);
  if (wish) yield* delivererOf(kind).foretell(draft, wish, recipe);
}
