import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { many } from '../src/testing/tiers';
import { seeded } from '../bench/random';
import { TARGETS, type Kind } from './targets';

/* What fuzzing once found, kept small, and some cases of each kind from one seed. */

const KEPT = join(import.meta.dirname, 'cases');

describe.each(Object.keys(TARGETS) as Kind[])('%s', (kind) => {
  const target = TARGETS[kind];
  const files = readdirSync(KEPT).filter((name) => name.startsWith(`${kind}-`));
  it.each(files)('%s is read or refused', async (name) => {
    expect(['result', 'refused']).toContain(await target.run(new Uint8Array(readFileSync(join(KEPT, name)))));
  });
  it('comes through often enough that something is tried', async () => {
    const outcomes: string[] = [];
    for (let seed = 100; seed < 100 + many(12, 60); seed++) outcomes.push(await target.run(target.make(seeded(seed))));
    expect(outcomes.filter((one) => one === 'result').length).toBeGreaterThan(outcomes.length / 10);
  });
  it('damaged in several ways is read or refused', async () => {
    for (let seed = 0; seed < (kind === 'smf' ? many(3, 8) : many(6, 20)); seed++)
      expect(['result', 'refused'], `seed ${seed}`).toContain(await target.run(target.make(seeded(seed))));
  });
});
