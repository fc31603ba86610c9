import fc from 'fast-check';

/*
 * Properties run from one seed, so that the test command gives the same result on every machine and every run. `npm run
 * fuzz` sets a fresh seed through the environment.
 */
fc.configureGlobal({ seed: Number(process.env.FUZZ_SEED ?? 20_241) });
