import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative, sep } from 'node:path';
import { filesOfZip, verifyParcel, type ParcelFile, type Verdict } from '../core/verify';
import { say } from '../core/words';
import { parsed } from './arguments';
import { BadInput, BadUsage } from './errors';

export const VERIFY_USAGE = 'dragoman verify PARCEL.zip|FOLDER [--json]';

/** A parcel held against what its contents sheet claims; nothing but its files is read. @returns exit code: 1 where a claim fails */
export async function verifyCommand(args: readonly string[]): Promise<number> {
  const { positionals, values } = parsed(args, { json: { type: 'boolean' } });
  const [path] = positionals;
  if (positionals.length !== 1 || !path) throw new BadUsage('', VERIFY_USAGE);
  const verdicts = await verified(path);
  if (values.json) console.log(JSON.stringify(verdicts, null, 2));
  else console.log(inWords(verdicts).join('\n'));
  return verdicts.every(({ ok }) => ok) ? 0 : 1;
}

async function verified(path: string): Promise<Verdict[]> {
  try {
    return await verifyParcel(
      statSync(path).isDirectory() ? filesIn(path) : filesOfZip(new Uint8Array(readFileSync(path))),
    );
  } catch (error) {
    const missing = error instanceof Error && 'code' in error && error.code === 'ENOENT';
    throw new BadInput(`${path}: ${missing ? say('cli.noFileOrFolder') : reason(error)}`);
  }
}

const reason = (error: unknown) => (error instanceof Error ? error.message : String(error));

function filesIn(folder: string): ParcelFile[] {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))
    .map((path) => ({
      path: relative(folder, path).split(sep).join('/'),
      bytes: new Uint8Array(readFileSync(path)),
    }));
}

function inWords(verdicts: readonly Verdict[]): string[] {
  const failed = verdicts.filter(({ ok }) => !ok).length;
  return [
    ...verdicts.flatMap(({ ok, words, found }) => [
      `${(ok ? say('cli.claimOk') : say('cli.claimFailed')).padEnd(6)}  ${words}`,
      ...(ok ? [] : [`        ${say('cli.claimFound', { found })}`]),
    ]),
    failed === 0
      ? say('cli.claimsHold', { claims: verdicts.length })
      : say('cli.claimsFail', { failed, claims: verdicts.length }),
  ];
}
