import { batchHint, commands } from './commands';
import { BadUsage } from './errors';

/**
 * Runs a command line: `npm run -s dragoman -- <command> …`.
 *
 * @returns the exit code: 0 on success, 1 on bad input with one line on stderr, 2 on bad usage
 */
export async function run(argv: readonly string[]): Promise<number> {
  const [name = '', ...args] = argv;
  const command = Object.entries(commands).find(([own]) => own === name)?.[1];
  try {
    if (!command) throw new BadUsage(name ? `There is no command “${name}”. ${batchHint}` : batchHint);
    return (await command(args)) ?? 0;
  } catch (error) {
    if (error instanceof BadUsage) {
      console.error(/Usage:/.test(error.message) ? error.message : `${error.message}\n${batchHint}`);
      return 2;
    }
    console.error(error instanceof Error ? error.message : String(error));
    return 1;
  }
}
