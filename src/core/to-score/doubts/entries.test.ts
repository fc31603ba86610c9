import { describe, expect, it } from 'vitest';
import { line, performanceOf, type HandNote } from '../../../testing/music';
import { QUARTER } from '../../time';
import { bandBegins, entriesSpeakForTheFile } from './entries';

/* Common practice, no source. */

const four = { beats: 4, beatType: 4 };
const entering = (...beats: number[]): HandNote[] => beats.map((at) => ({ key: 60, at, length: 1 }));
/** Something plays from the beginning, so that every entry of the other counts. */
const withOther = (notes: HandNote[]) =>
  performanceOf([
    { name: 'Flute', notes: line(...Array.from({ length: 120 }, (): [number, number] => [72, 1])) },
    { name: 'Horn', notes },
  ]);
const beside = (beat: number) => [{ from: beat * QUARTER, meters: [four] }];

describe('entries after rests', () => {
  it('speak for the file’s bars where they begin with them', () => {
    const onBars = withOther(entering(8, 24, 40, 61));
    expect(entriesSpeakForTheFile(onBars, 4 * QUARTER, beside(1))).toBe(true);
    expect(entriesSpeakForTheFile(withOther(entering(9, 25, 41, 60)), 4 * QUARTER, beside(1))).toBe(false);
  });
  it('say nothing where there are few, and not against bars that share their places', () => {
    expect(entriesSpeakForTheFile(withOther(entering(8, 24)), 4 * QUARTER, beside(1))).toBe(false);
    const waltz = [{ from: 0, meters: [{ beats: 3, beatType: 4 }] }];
    expect(entriesSpeakForTheFile(withOther(entering(12, 24, 36, 60)), 4 * QUARTER, waltz)).toBe(false);
  });
  it('of a kit and a bass together at the beginning make the first bar a bar', () => {
    const kit = (at: number) => ({ name: 'Drums', notes: [{ key: 36, at, length: 0.25, channel: 10 }] });
    const bass = { name: 'Bass', notes: entering(0, 1, 2) };
    expect(bandBegins(performanceOf([kit(0), bass]))).toBe(true);
    expect(bandBegins(performanceOf([kit(1), bass]))).toBe(false);
    expect(bandBegins(performanceOf([bass]))).toBe(false);
  });
});
