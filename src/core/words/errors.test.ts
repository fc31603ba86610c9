import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { errorTable } from '../../../scripts/errors';

it('the table of error sentences is that of the code', () => {
  const table = errorTable();
  expect(table.split('\n').length).toBeGreaterThan(80);
  expect(readFileSync('docs/errors.md', 'utf8')).toBe(table);
});
