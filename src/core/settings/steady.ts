import type { ConversionSettings } from './conversion';

/** Gives the value of last time when it says the same. */
type Steady = <T>(slot: string, value: T) => T;

/**
 * Settings of which everything that says the same as last time is the very same object, down to single parts and
 * tracks, so that stages can compare them by identity.
 */
export function steadySettings<S extends ConversionSettings>(settings: S, steady: Steady): S {
  const entries = Object.entries(settings).map(([name, value]: [string, unknown]) => {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return [name, steady(name, value)];
    const each = Object.entries(value).map(([key, one]: [string, unknown]) => [key, steady(`${name}/${key}`, one)]);
    return [name, steady(name, Object.fromEntries(each))];
  });
  return Object.fromEntries(entries) as S;
}
