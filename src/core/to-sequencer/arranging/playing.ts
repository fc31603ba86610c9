/* How a track is played: struck keys moved to another map, then the treatments, with the controllers they make or use up. */
import { Message, type ChannelEvent, type SmfEvent } from '../../smf';
import type { DynamicController, PartSequencing, Treating } from '../../settings';
import { playedUnits, ticksFromUnits, type PlayedUnits, type Ticks } from '../../time';
import { curveOfStrengths, strengthsOfCurve, thinned, type CurveValue } from '../treating/controllers';
import { treated, type Treated } from '../treating/treat';
import type { WorkingTrack } from './working-tracks';

/** @param tick of a place */
export function played(
  track: WorkingTrack,
  { drumKeys }: PartSequencing,
  treatments: readonly Treating[],
  piece: Treated,
  ticksPerQuarter: number,
): WorkingTrack {
  const struck = drumKeys
    ? changed(track, { notes: track.notes.map((note) => ({ ...note, key: drumKeys[note.key] ?? note.key })) })
    : track;
  return treatments.reduce((now, treating) => treatedOnce(now, treating, piece, ticksPerQuarter), struck);
}

function changed(track: WorkingTrack, change: Partial<WorkingTrack>): WorkingTrack {
  return { ...track, ...change, touched: true };
}

function treatedOnce(track: WorkingTrack, treating: Treating, piece: Treated, ticksPerQuarter: number): WorkingTrack {
  const { does } = treating;
  const place = (tick: Ticks) => playedUnits(tick, ticksPerQuarter);
  const tick = (at: PlayedUnits): Ticks => ticksFromUnits(at, ticksPerQuarter);
  const notes = treated(track.notes, [treating], piece);
  switch (does.kind) {
    case 'toController': {
      const curve = curveOfStrengths(inBars(track.notes, treating, piece));
      const events = curve.map(({ at, value }) => controller(tick(at), track.channel, does.controller, value));
      return changed(track, { notes, others: inOrder([...track.others, ...events]) });
    }
    case 'toVelocity': {
      const { curve, rest } = takenOut(track, does.controller, place);
      const inside = new Set(inBars(track.notes, treating, piece));
      const shaped = strengthsOfCurve(track.notes, curve).map((note, n) =>
        inside.has(track.notes[n]!) ? note : track.notes[n]!,
      );
      return changed(track, { notes: shaped, others: treating.bars ? track.others : rest });
    }
    case 'thin':
      return changed(track, { others: thinnedCurves(track.others, does.within) });
    default:
      return changed(track, { notes });
  }
}

function inBars(notes: WorkingTrack['notes'], { bars: span }: Treating, { bars }: Treated): WorkingTrack['notes'] {
  if (!span) return notes;
  const from = bars[span.from]?.start ?? Infinity;
  const to = bars[span.to]?.start ?? Infinity;
  return notes.filter(({ start }) => start >= from && start < to);
}

const isController = (event: SmfEvent): event is ChannelEvent =>
  event.kind === 'channel' && (event.status & 0xf0) === Message.controlChange;

function controller(tick: Ticks, channel: number, number: DynamicController, value: number): SmfEvent {
  return { kind: 'channel', tick, status: Message.controlChange | (channel - 1), data1: number, data2: value };
}

const inOrder = (events: readonly SmfEvent[]) => [...events].sort((a, b) => a.tick - b.tick);

function takenOut({ others }: WorkingTrack, number: number, place: (tick: Ticks) => number) {
  const is = (event: SmfEvent) => isController(event) && event.data1 === number;
  const curve = others.flatMap((event): CurveValue[] =>
    isController(event) && event.data1 === number ? [{ at: place(event.tick), value: event.data2 }] : [],
  );
  return { curve, rest: others.filter((event) => !is(event)) };
}

/** Pedals and switches say on or off, banks are numbers: they are no curves. */
const CURVES: ReadonlySet<number> = new Set([1, 2, 4, 7, 8, 10, 11, 71, 74, 91, 93]);

function thinnedCurves(events: readonly SmfEvent[], within: number): SmfEvent[] {
  const curves = new Map<number, { at: number; value: number; event: SmfEvent }[]>();
  for (const event of events)
    if (isController(event) && CURVES.has(event.data1)) {
      const slot = (event.status & 0x0f) * 128 + event.data1;
      const list = curves.get(slot) ?? [];
      list.push({ at: event.tick, value: event.data2, event });
      curves.set(slot, list);
    }
  const kept = new Set([...curves.values()].flatMap((curve) => thinned(curve, within)));
  const gone = new Set(
    [...curves.values()]
      .flat()
      .filter((one) => !kept.has(one))
      .map(({ event }) => event),
  );
  return events.filter((event) => !gone.has(event));
}
