import { parseArgs } from 'node:util';
import { BadUsage } from './errors';

/** @throws BadUsage for options nobody knows */
export function parsed<T extends NonNullable<Parameters<typeof parseArgs>[0]>['options']>(
  args: readonly string[],
  options: T,
) {
  try {
    return parseArgs({ args: [...args], options, allowPositionals: true }) as {
      positionals: string[];
      values: Record<string, string | boolean | undefined>;
    };
  } catch (error) {
    throw new BadUsage((error as Error).message);
  }
}
