import type { DeliveryKind, DeliveryWish, Recipe } from '../../documents';
import type { DispatchDesk, Working } from '../dispatch-desk';
import type { Draft } from '../draft';
import type { Task } from '../task';

/** How a kind of file is made, and what is said of it before. */
export interface Deliverer<K extends DeliveryKind> {
  /** @param date ISO date */
  tasks: (desk: DispatchDesk, wish: DeliveryWish[K], recipe: Recipe, date: string) => Generator<Working, Task[]>;
  foretell: (draft: Draft, wish: DeliveryWish[K], recipe: Recipe) => Generator<Working, void>;
}
