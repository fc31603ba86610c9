/* Tempo, meters, keys and markers of a performance as the events of a file. */
import type { Performance } from '../../performance';
import { encodeText, Meta, type SmfEvent } from '../../smf';
import { ticksFromUnits, type WrittenUnits } from '../../time';

export function timeLineEvents({ tempo, meters, keys, markers, ticksPerQuarter }: Performance): SmfEvent[] {
  const at = (units: WrittenUnits) => Math.round(ticksFromUnits(units, ticksPerQuarter));
  const meta = (tick: number, type: number, data: ArrayLike<number>): SmfEvent => ({
    kind: 'meta',
    tick,
    type,
    data: Uint8Array.from(data),
  });
  return [
    ...tempo.events.map(({ tick, microsecondsPerQuarter: m }) => {
      const whole = Math.round(m);
      return meta(Math.round(tick), Meta.tempo, [(whole >> 16) & 0xff, (whole >> 8) & 0xff, whole & 0xff]);
    }),
    ...meters.map((meter) => meta(at(meter.at), Meta.timeSignature, [meter.beats, Math.log2(meter.beatType), 24, 8])),
    ...keys.map((key) => meta(at(key.at), Meta.keySignature, [key.fifths & 0xff, key.mode === 'minor' ? 1 : 0])),
    ...markers.map(({ tick, text }) => meta(Math.round(tick), Meta.marker, encodeText(text))),
  ].sort((a, b) => a.tick - b.tick);
}
