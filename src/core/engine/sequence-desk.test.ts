import { describe, expect, it } from 'vitest';
import { line, smfBytes, type HandTrack } from '../../testing/music';
import { Message, readSmf, writeSmf, type SmfEvent } from '../smf';
import { USUAL_DIRECTION_B } from '../settings';
import { SequenceDesk } from './index';

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
    const desk = SequenceDesk.open(smfBytes([horn(40), horn(80), horn(120)]));
    desk.sequence({ ...USUAL_DIRECTION_B, preset: 'everything', leftOutTracks: [1] });
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
    expect(() => SequenceDesk.open(writeSmf({ ...file, format: 2 }))).toThrow(/type 2 file: 3 separate patterns/);
  });
  it('leaves as many tracks as it keeps', () => {
    const desk = SequenceDesk.open(smfBytes([horn(40), horn(80)]));
    const { files } = desk.files({ ...USUAL_DIRECTION_B, leftOutTracks: [2] });
    expect(readSmf(files[0]!.bytes).file.tracks).toHaveLength(2);
  });
});
