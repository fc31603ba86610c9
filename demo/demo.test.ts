import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { measure } from '../bench/measure';
import { instrumentById } from '../src/core/instruments';
import { performanceFromSmf } from '../src/core/performance';
import { readSmf } from '../src/core/smf';
import { toScore } from '../src/core/to-score';
import { goose } from './goose';
import { demoMechanical, demoOriginal } from './make';
import { NO_SETTINGS } from '../src/core/settings';

const convert = (bytes: Uint8Array) => toScore(performanceFromSmf(readSmf(bytes)), NO_SETTINGS);

describe('the demo', () => {
  it('is what the script makes', () => {
    expect(
      new Uint8Array(readFileSync(join(import.meta.dirname, '../public/demo/clockmakers-goose-cue-3.mid'))),
    ).toEqual(demoOriginal());
    expect(JSON.parse(readFileSync(join(import.meta.dirname, 'clockmakers-goose-cue-3.truth.json'), 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(goose)),
    );
  });

  it('comes back note for note when a machine plays it', () => {
    const { total } = measure(convert(demoMechanical()).score, goose);
    expect(total).toMatchObject({
      onsets: total.notes,
      values: total.valued,
      staves: total.notes,
      spelled: total.pitched,
      extra: 0,
    });
  });

  it('comes back with every pitch, onset and bar right from the faulty original', () => {
    const { score, casting } = convert(demoOriginal());
    const { total } = measure(score, goose);
    expect(total).toMatchObject({ onsets: total.notes, extra: 0, spelled: total.pitched, staves: total.notes });
    expect(total.values / total.valued).toBeGreaterThan(0.98);
    expect(score.bars.map((bar) => bar.meter.beats)).toEqual([
      ...Array(8).fill(4),
      ...Array(12).fill(3),
      ...Array(8).fill(4),
    ]);
    expect(casting.parts.map((part) => part.instrument.id)).toEqual(
      goose.parts
        .map((part) => part.instrument)
        .sort((a, b) => instrumentById(a).scoreOrder - instrumentById(b).scoreOrder),
    );
    expect(score.keys).toEqual([{ bar: 0, fifths: -4, mode: 'major' }]);
  });
});
