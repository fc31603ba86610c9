import { say } from '../words';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import type { JobError } from './errors';
import { parsePlain } from './plain-json';

/**
 * Reads a JSON file of ours that travels by itself: a drum map, a technique chart.
 *
 * @param entriesOf the list inside it, so that a wrong entry can be named @throws JobError made by `fail`
 */
export function readDocument<T extends object>(
  text: string,
  {
    format,
    shape,
    entriesOf,
    fail,
    complete = (read) => read,
  }: {
    format: string;
    shape: new () => T;
    entriesOf: (read: T) => readonly object[] | undefined;
    fail: (why: string) => JobError;
    /** Fills in what versions that wrote it did not have yet. */
    complete?: (plain: object) => object;
  },
): T {
  const plain = parsePlain(text, fail);
  if (typeof plain !== 'object' || plain === null || (plain as { format?: unknown }).format !== format)
    throw fail(say('documents.itHoldsSomethingElse'));
  const read = plainToInstance(shape, complete(plain));
  const rules = { whitelist: true, forbidNonWhitelisted: true };
  if (validateSync(read, rules).length > 0) {
    const wrong =
      entriesOf(read)?.findIndex?.(
        (entry) => typeof entry === 'object' && entry !== null && validateSync(entry, rules).length > 0,
      ) ?? -1;
    throw fail(
      wrong >= 0
        ? say('documents.itsEntryWrongIsNotAsItShouldBe', { wrong: wrong + 1 })
        : say('documents.itsFieldsCannotBeRead'),
    );
  }
  return read;
}
