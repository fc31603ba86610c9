import { describe, expect, it } from 'vitest';
import { fileNameOf } from './index';

describe('a name for a file', () => {
  it.each([
    ['The Clockmaker’s Goose, cue 3', 'The Clockmakers Goose cue 3'],
    ['../../etc/passwd', 'etcpasswd'],
    ['Gänse: 3/4 "finale"?', 'Gänse 34 finale'],
    ['Clarinet in B♭, F♯ bell', 'Clarinet in Bb F sharp bell'],
    ['con', 'con_'],
    ['.hidden.', 'hidden'],
    ['  ', 'score'],
    ['…', 'score'],
    ['鵞鳥の時計', '鵞鳥の時計'],
  ])('%s → %s', (name, expected) => expect(fileNameOf(name)).toBe(expected));
  it('stays below the 255 bytes that file systems take, in any script', () => {
    for (const letter of ['a', '鳥', '𠮷'])
      expect(new TextEncoder().encode(fileNameOf(letter.repeat(1000))).length).toBeLessThan(245);
  });
});
