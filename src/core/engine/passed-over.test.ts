import { describe, expect, it } from 'vitest';
import { SIGN_CASES } from '../../testing/score-signs';
import { passedOver } from './passed-over';

const of = (sign: string) =>
  passedOver([new TextEncoder().encode(SIGN_CASES.find(({ name }) => name.includes(sign))!.musicXml)]);

describe('what of a score is passed over', () => {
  it('is named with its number and place', () => {
    expect(of('<harp-pedals>')).toEqual(['harp pedal diagram (bar 1)']);
    expect(of('<stopped/>')).toEqual(['stopped (bar 1)']);
    expect(of('slur: dashed')).toEqual(['dashed slur (bar 1)']);
    expect(of('head: arranger')).toEqual(['arranger']);
  });
  it('is nothing where the model has it, or where nothing can be counted', () => {
    expect(of('<accent/>')).toEqual([]);
    expect(of('<stem>down</stem>')).toEqual([]);
    expect(passedOver([new TextEncoder().encode('<score-timewise/>')])).toEqual([]);
  });
});
