import { Message, Meta, type SmfEvent } from '../../smf';

/** At one tick: the name, other metas, what sets a sound, releases, strikes; so that no note is cut or sounds wrongly. */
function rankOf(event: SmfEvent): number {
  if (event.kind === 'meta') return event.type === Meta.trackName ? 0 : 1;
  if (event.kind !== 'channel') return 2;
  const message = event.status & 0xf0;
  if (message === Message.noteOff || (message === Message.noteOn && event.data2 === 0)) return 3;
  return message === Message.noteOn ? 5 : 4;
}

/** Events as a track has them: by tick, and at one tick in the order that sounds right. */
export function inTrackOrder(events: readonly SmfEvent[]): SmfEvent[] {
  return [...events].sort((a, b) => a.tick - b.tick || rankOf(a) - rankOf(b));
}
