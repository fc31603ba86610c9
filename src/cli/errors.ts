import { say } from '../core/words';

/** The command was not called as it must be: exit code 2. */
export class BadUsage extends Error {
  override readonly name = 'BadUsage';

  /** @param usage of the one command, below the sentence */
  constructor(sentence: string, usage?: string) {
    super([...(sentence ? [sentence] : []), ...(usage ? [say('cli.usage', { usage })] : [])].join('\n'));
  }
}

/** What was handed in cannot be used: exit code 1. */
export class BadInput extends Error {
  override readonly name = 'BadInput';
}

/** An option with a value that it does not take. */
export const badOption = (name: string, takes: string, given: unknown, usage: string): BadUsage =>
  new BadUsage(say('cli.optionTakes', { name, takes, given: String(given) }), usage);
