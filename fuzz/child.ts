/* Runs single cases for run.ts, which watches over it: a case that hangs or eats the memory takes this process with it. */
import { seeded } from '../bench/random';
import { TARGETS, type Kind } from './targets';

process.on('message', ({ kind, seed }: { kind: Kind; seed: number }) => {
  void tryOne(kind, seed).then((said) => process.send!(said));
});

async function tryOne(kind: Kind, seed: number): Promise<{ outcome: string; fault?: string }> {
  const target = TARGETS[kind];
  const bytes = target.make(seeded(seed));
  try {
    return { outcome: await target.run(bytes) };
  } catch (error) {
    return { outcome: 'fault', fault: error instanceof Error ? (error.stack ?? error.message) : String(error) };
  }
}
