/** The command was not called as it must be: exit code 2. */
export class BadUsage extends Error {
  override readonly name = 'BadUsage';
}

/** What was handed in cannot be used: exit code 1. */
export class BadInput extends Error {
  override readonly name = 'BadInput';
}
