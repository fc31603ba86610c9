import { isLanguage, say, speak, SPOKEN } from '@/core/words';
import { commands, usage } from './commands';
import { BadUsage } from './errors';

/**
 * Runs a command line: `npm run -s dragoman -- <command> …`.
 *
 * @returns the exit code: 0 on success, 1 on bad input with one line on stderr, 2 on bad usage
 */
export async function run(argv: readonly string[]): Promise<number> {
  try {
    const [name = '', ...args] = await spokenAs(argv);
    const command = Object.entries(commands).find(([own]) => own === name)?.[1];
    if (!command) throw new BadUsage(name ? `${say('cli.noCommand', { name })} ${usage()}` : usage());
    return (await command(args)) ?? 0;
  } catch (error) {
    if (error instanceof BadUsage) {
      console.error(error.message.includes('dragoman ') ? error.message : `${error.message}\n${usage()}`);
      return 2;
    }
    console.error(error instanceof Error ? error.message : String(error));
    return 1;
  }
}

/** `--language de` before or after the command: what the engine says, queries, reports and findings, is in that language. */
async function spokenAs(argv: readonly string[]): Promise<string[]> {
  const at = argv.indexOf('--language');
  if (at < 0) {
    await speak('en');
    return [...argv];
  }
  const language = argv[at + 1];
  if (!isLanguage(language))
    throw new BadUsage(say('cli.languageTakes', { languages: Object.keys(SPOKEN).join(', ') }));
  await speak(language);
  return argv.toSpliced(at, 2);
}
