import { CATALOGUE, instrumentById, recognise, SURE_ENOUGH, type Instrument } from '../../instruments';
import type { MidiKey } from '../../time';
import type { RawPart } from './raw';

/**
 * Which instrument of the catalogue a part is: by the standard's sound id where it is unambiguous, by name,
 * transposition and range where several share one.
 */
export function partInstrument(
  part: RawPart,
  keys: readonly MidiKey[],
  transposition: number,
  unpitched: boolean,
): Instrument {
  const bySound = part.sound ? CATALOGUE.filter((one) => one.sound === part.sound && one.unpitched === unpitched) : [];
  const program = part.program ?? [...part.instruments.values()].find((one) => one.program !== null)?.program ?? null;
  const { candidates } = recognise({
    name: part.name,
    program,
    percussionChannel: unpitched,
    keys: unpitched ? [] : keys,
    mostAtOnce: 1,
  });
  const named = candidates.filter((one) => one.confidence >= SURE_ENOUGH).map((one) => instrumentById(one.instrument));
  const both = named.find((one) => bySound.includes(one));
  if (both) return both;
  const usual = bySound.find((one) => one.transposition === transposition) ?? bySound[0];
  const best = named.find((one) => one.unpitched === unpitched);
  // A name says more than a sound id, which programs often set to the nearest one they have.
  return best ?? usual ?? instrumentById('unknown');
}
