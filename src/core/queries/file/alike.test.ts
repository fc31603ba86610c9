import { describe, expect, it } from 'vitest';
import { putToPeople, type Query } from '..';
import { partId, queryId, trackId } from '../../base';
import { fileQueries } from './alike';

const ids = (messages: string[]) => fileQueries(messages.map((message, i) => ({ id: `file/${i}`, message })));

describe('warnings of one cause', () => {
  it('are one query, whatever their tracks, numbers and names', () => {
    const [one, ...others] = ids([
      'Track 3, tick 20, byte 44: 1 note starts while the same key still sounds.',
      'Track 5, tick 960, byte 1044: 12 notes start while the same key still sounds.',
      'Track 5, tick 961, byte 1049: 2 notes start while the same key still sounds.',
    ]);
    expect(others).toEqual([]);
    expect(one!.message).toBe(
      'Track 3, tick 20, byte 44: 1 note starts while the same key still sounds. (And 2 more of this kind.)',
    );
  });
  it('are told from those of another cause, and keep the place of the first', () => {
    const found = fileQueries([
      { id: 'a', message: 'The end mark is missing.', track: trackId('t3') },
      { id: 'b', message: 'The last event is cut off.' },
    ]);
    expect(found.map(({ id, track }) => [id, track])).toEqual([
      ['a', 't3'],
      ['b', undefined],
    ]);
  });
  it('ask again when there are more of them', () => {
    const once = ids(['The end mark is missing.'])[0]!.id;
    const twice = ids(['The end mark is missing.', 'The end mark is missing.'])[0]!.id;
    expect(once).not.toBe(twice);
  });
});

describe('queries put to people', () => {
  const part = partId('t1');
  const query = (id: string, more: object) => ({ id: queryId(id), message: id, ...more }) as unknown as Query;
  const counts = { all: 500, of: new Map([[part, 40]]) };

  it('stand by what they do to the players, then by how many notes they touch', () => {
    const put = putToPeople(
      [
        query('file', { kind: 'file' }),
        query('look', { kind: 'staves', part }),
        query('rhythm', { kind: 'lead', part, track: trackId('t1'), facts: { milliseconds: 80 } }),
        query('few', { kind: 'out-of-range', part, played: [1], facts: { others: [], whole: null, single: null } }),
        query('many', { kind: 'out-of-range', part, played: [1, 2], facts: { others: [], whole: null, single: null } }),
        query('piece', { kind: 'no-bars', facts: { notes: 3 } }),
      ],
      counts,
    );
    expect(put.map(({ message, touched }) => [message, touched])).toEqual([
      ['piece', 500],
      ['many', 2],
      ['few', 1],
      ['rhythm', 40],
      ['look', 40],
      ['file', null],
    ]);
  });
});
