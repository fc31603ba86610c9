/*
 * What another value of one constant does to the tables: `npm run vary -- leads.leastGain 0.05 0.12 0.3`. On the seeds that
 * constants are chosen on; docs/accuracy.md reports on others.
 */
import { LEADS } from '../src/core/to-score/timing/leads/tuning';
import { countByKind } from './leads';
import { percent } from './measure';

/** Stages with a table of constants of their own, and what is measured for each value. */
const STAGES: Record<string, { constants: object; measured: () => string[] }> = {
  leads: {
    constants: LEADS,
    measured: () =>
      [...countByKind([1, 2, 3])].map(
        ([kind, one]) =>
          `${kind}: ${one.taken} of ${one.early} taken, ${one.asked} asked, ${one.takenWrongly} taken wrongly, ${one.askedWrongly} asked wrongly, onsets ${percent(one.onsets, one.notes)}`,
      ),
  },
};

const [what = '', ...values] = process.argv.slice(2);
const [stage = '', name = ''] = what.split('.');
const varied = STAGES[stage];
const value: unknown = varied && Reflect.get(varied.constants, name);
if (!varied || typeof value !== 'number') {
  const names = Object.entries(STAGES).flatMap(([id, { constants }]) =>
    Object.entries(constants).flatMap(([key, now]) => (typeof now === 'number' ? [`${id}.${key} (${now})`] : [])),
  );
  console.error(`Say which constant, and values to try: npm run vary -- leads.leastGain 0.05 0.3\n${names.join('\n')}`);
  process.exit(1);
}
for (const tried of [value, ...values.map(Number)]) {
  Reflect.set(varied.constants, name, tried);
  console.log(`${what} = ${tried}\n  ${varied.measured().join('\n  ')}`);
}
