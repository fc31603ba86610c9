import { describe, expect, it } from 'vitest';
import type { OpenFolder } from '../shared/folders';
import { commonName } from '../home/SeveralFiles';
import { writeInto } from './handOver';

/** A folder in memory, as the standard's handles behave. */
function folderIn(files: Map<string, Uint8Array>, path = ''): OpenFolder {
  return {
    getDirectoryHandle: (name) => Promise.resolve(folderIn(files, `${path}${name}/`)),
    getFileHandle: (name, options) => {
      const at = path + name;
      if (!options?.create && !files.has(at)) return Promise.reject(new DOMException('none', 'NotFoundError'));
      return Promise.resolve({
        createWritable: () =>
          Promise.resolve({
            write: (bytes: Uint8Array) => Promise.resolve(void files.set(at, bytes)),
            close: () => Promise.resolve(),
          }),
      });
    },
  };
}

describe('files that go into a folder', () => {
  it('go where their paths say, and get a number where a name is taken', async () => {
    const files = new Map([['Score/Goose.musicxml', new Uint8Array([9])]]);
    const out = [
      { path: 'Score/Goose.musicxml', bytes: new Uint8Array([1]) },
      { path: 'MIDI/Goose.mid', bytes: new Uint8Array([2]) },
    ];
    expect(await writeInto(folderIn(files), out)).toBe(1);
    expect(await writeInto(folderIn(files), out)).toBe(2);
    expect([...files].map(([path, bytes]) => [path, bytes[0]])).toEqual([
      ['Score/Goose.musicxml', 9],
      ['Score/Goose (2).musicxml', 1],
      ['MIDI/Goose.mid', 2],
      ['Score/Goose (3).musicxml', 1],
      ['MIDI/Goose (2).mid', 2],
    ]);
  });
  it('are not written where the folder refuses', async () => {
    const refusing = folderIn(new Map());
    refusing.getFileHandle = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
    await expect(writeInto(refusing, [{ path: 'x.mid', bytes: new Uint8Array() }])).rejects.toThrow('no');
  });
});

describe('a name for several files', () => {
  it.each([
    [['Lantern cue 1.mid', 'Lantern cue 2.mid', 'Lantern cue 10.mid'], 'Lantern'],
    [['1m1.mid', '1m2.mid'], ''],
    [['Goose_01.mid', 'Goose_02.mid'], 'Goose'],
    [['a.mid', 'b.mid'], ''],
  ])('%s → “%s”', (files, name) => expect(commonName(files)).toBe(name));
});
