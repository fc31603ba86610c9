import { describe, expect, it } from 'vitest';
import { line, smfBytes, type HandTrack } from '../../testing/music';
import { Message, readSmf, writeSmf, type SmfEvent } from '../smf';
import { withSequencing } from '../settings';
import { openSequence } from './index';

const volume = (value: number): SmfEvent => ({
  kind: 'channel',
  tick: 0,
  status: Message.controlChange,
  data1: 7,
  data2: value,
});
const horn = (value: number): HandTrack => ({ name: 'Horn', notes: line([60, 1]), extra: [volume(value)] });

describe('a MIDI file on the desk', () => {
  it('shows each track its own controllers, however alike the tracks are', () => {
    const desk = openSequence([smfBytes([horn(40), horn(80), horn(120)])]);
    desk.make(withSequencing({ preset: 'everything', leftOutTracks: [1] }));
    const values = (track: number) =>
      desk
        .controllersOf(track)
        .map(({ before, after }) => [before.map(({ value }) => value), after.map(({ value }) => value)]);
    expect(values(2)).toEqual([[[80], [80]]]);
    expect(values(3)).toEqual([[[120], [120]]]);
    // Left out: it arrived and does not leave.
    expect(values(1)).toEqual([[[40], []]]);
  });
  it('is refused when its patterns have no common time line, as everywhere', () => {
    const { file } = readSmf(smfBytes([horn(40), horn(80)]));
    expect(() => openSequence([writeSmf({ ...file, format: 2 })])).toThrow(/type 2 file: 3 separate patterns/);
  });
  it('leaves as many tracks as it keeps', () => {
    const desk = openSequence([smfBytes([horn(40), horn(80)])]);
    const { files } = desk.files(withSequencing({ leftOutTracks: [2] }));
    expect(readSmf(files[0]!.bytes).file.tracks).toHaveLength(2);
  });
});
