import { beforeAll, describe, expect, it } from 'vitest';
import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';
import { demoOriginal } from '../../demo/make';
import { ScoreDesk } from '../core/engine';
import { writeMei } from '../core/mei';
import { readMusicXml, writeMusicXml } from '../core/musicxml';
import type { Score } from '../core/score';
import { NO_SETTINGS } from '../core/settings';
import { SIGN_CASES } from '../testing/score-signs';
import { loadScore } from './load-score';
import { sheetOptions } from './sheets';

/*
 * What is drawn against what the MusicXML of the same score has, kind by kind: two writers that know nothing of each other,
 * counted in the drawing and in the text.
 */

const PRINTED = '<note(?![^>]*print-object="no")';
const ARTICULATIONS = [
  ...['staccato', 'tenuto', 'accent', 'strong-accent', 'staccatissimo', 'spiccato', 'soft-accent', 'up-bow'],
  ...['down-bow', 'harmonic', 'open-string', 'stopped', 'snap-pizzicato', 'fingernails'],
].join('|');

/** What each kind of drawn element is in MusicXML. */
const KINDS: Readonly<Record<string, RegExp>> = {
  note: new RegExp(`${PRINTED}(?:(?!</note>)[^])*?<(pitch|unpitched)>`, 'g'),
  rest: new RegExp(`${PRINTED}[^>]*>\\s*(?:<cue/>\\s*)?<rest/>`, 'g'),
  mRest: new RegExp(`${PRINTED}[^>]*>\\s*<rest measure="yes"/>`, 'g'),
  slur: /<slur [^>]*type="start"/g,
  tie: /<tied [^>]*type="start"/g,
  tuplet: /<tuplet [^>]*type="start"/g,
  artic: new RegExp(`<(${ARTICULATIONS})\\b`, 'g'),
  dynam: /<dynamics|<words[^>]*>[^<]*<\/words>\s*<\/direction-type>\s*<direction-type>\s*<dashes [^>]*type="start"/g,
  hairpin: /<wedge [^>]*type="(crescendo|diminuendo)"/g,
  octave: /<octave-shift [^>]*type="(up|down)"/g,
  pedal: /<pedal [^>]*type="(start|stop|change)"/g,
  fermata: /<fermata/g,
  trill: /<trill-mark/g,
  mordent: /<(inverted-)?mordent|<schleifer/g,
  turn: /<(inverted-)?turn/g,
  bTrem: /<tremolo [^>]*type="(single|unmeasured)"/g,
  fTrem: /<tremolo [^>]*type="start"/g,
  gliss: /<(glissando|slide) [^>]*type="start"/g,
  breath: /<breath-mark/g,
  caesura: /<caesura/g,
  harm: /<harmony>/g,
  reh: /<rehearsal/g,
  fing: /<fingering|<pluck/g,
  syl: /<text>/g,
};

/** Cases whose sign is counted otherwise: two signs for one, or none on a single note. */
const APART = /detached-legato|<stress|arpeggiate/;

describe('what is drawn', () => {
  let toolkit: VerovioToolkit;
  beforeAll(async () => {
    toolkit = new VerovioToolkit(await createVerovioModule());
  });

  function differences(score: Score, mei = writeMei(score)): string[] {
    toolkit.setOptions(sheetOptions({ layout: 'line', staffMillimetres: 5 }));
    expect(loadScore(toolkit, mei)).toBeTruthy();
    const svg = toolkit.renderToSVG(1);
    const xml = writeMusicXml(score, { version: '4.0' });
    return Object.entries(KINDS).flatMap(([kind, pattern]) => {
      const wanted = (xml.match(pattern) ?? []).length;
      const drawn = (svg.match(new RegExp(`class="${kind}[" ]`, 'g')) ?? []).length;
      return wanted === drawn ? [] : [`${kind}: ${wanted} written, ${drawn} drawn`];
    });
  }

  const { printed } = ScoreDesk.open([demoOriginal()], NO_SETTINGS).convert(NO_SETTINGS);

  it('of the demo is what is written', () => {
    expect(differences(printed)).toEqual([]);
  });
  it('of each sign of the standard that the model knows is that sign', () => {
    const wrong = SIGN_CASES.filter(({ name }) => !APART.test(name)).flatMap(({ name, musicXml }) => {
      const { score } = readMusicXml(new TextEncoder().encode(musicXml));
      return differences(score).map((one) => `${name}: ${one}`);
    });
    expect(wrong).toEqual([]);
  });
  it('is found to lack a note, a rest or a tuplet that is not drawn', () => {
    const mei = writeMei(printed);
    for (const [kind, without] of [
      ['note', mei.replace(/<note [^>]*\/>/, '<space dur="4"/>')],
      ['rest', mei.replace(/<rest ([^>]*)\/>/, '<space $1/>')],
      ['tuplet', mei.replace(/<tuplet [^>]*>/, '<beam>').replace('</tuplet>', '</beam>')],
    ] as const)
      expect(differences(printed, without).join(), kind).toContain(kind);
  });
});
