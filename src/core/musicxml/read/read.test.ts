import { zipSync, strToU8 } from 'fflate';
import { describe, expect, it } from 'vitest';
import { demoMechanical } from '../../../../demo/make';
import { performanceFromSmf } from '../../performance';
import { checkScore, chordText, graceNotesOf, pitchName, soundsOf, type Score } from '../../score';
import { readSmf } from '../../smf';
import { QUARTER } from '../../time';
import { toScore } from '../../to-score';
import { compressMusicXml, readMusicXml, writeMusicXml } from '..';
import { NO_SETTINGS } from '../../settings';

const bytes = (text: string) => new TextEncoder().encode(text);
const read = (text: string) => readMusicXml(bytes(text));

/** A one-part score around the measures given. */
const score = (
  measures: string,
  {
    head = '<divisions>4</divisions><time><beats>4</beats><beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line></clef>',
    name = 'Flute',
    extra = '',
  } = {},
) =>
  `<?xml version="1.0"?><score-partwise version="4.0"><part-list><score-part id="P1"><part-name>${name}</part-name>${extra}</score-part></part-list><part id="P1">${measures.replace('<measure number="1">', `<measure number="1"><attributes>${head}</attributes>`)}</part></score-partwise>`;
const note = (step: string, octave: number, duration: number, type: string, more = '', before = '') =>
  `<note>${before}<pitch><step>${step}</step><octave>${octave}</octave></pitch><duration>${duration}</duration><voice>1</voice><type>${type}</type>${more}</note>`;
const whole = (number: number, more = '') => `<measure number="${number}">${note('C', 5, 16, 'whole', more)}</measure>`;
const names = ({ score: read }: { score: Score }, part = 0) =>
  soundsOf(read.parts[part]!, read.bars).map(
    (sound) => `${pitchName(sound.pitch)}@${sound.start / QUARTER}+${(sound.end - sound.start) / QUARTER}`,
  );

const demo = toScore(performanceFromSmf(readSmf(demoMechanical())), NO_SETTINGS).printed;
const demoText = writeMusicXml(demo);

describe('reading what we write', () => {
  it('gives every note, value, name, signature, tempo and meter back', () => {
    const { score: back, warnings } = read(demoText);
    expect(warnings).toEqual([]);
    expect(checkScore(back)).toEqual([]);
    expect(back.bars).toEqual(demo.bars);
    expect(back.keys).toEqual(demo.keys);
    expect(back.tempos.map(({ at, bpm }) => [at, bpm])).toEqual(demo.tempos.map(({ at, bpm }) => [at, bpm]));
    demo.parts.forEach((part, p) => {
      const wanted = soundsOf(part, demo.bars).map(({ start, end, key, pitch, staff }) => ({
        start,
        end,
        key,
        pitch,
        staff,
      }));
      expect(
        soundsOf(back.parts[p]!, back.bars).map(({ start, end, key, pitch, staff }) => ({
          start,
          end,
          key,
          pitch,
          staff,
        })),
        part.name,
      ).toEqual(wanted);
      expect([back.parts[p]!.instrument, back.parts[p]!.transposition, back.parts[p]!.clefs]).toEqual([
        part.instrument,
        part.transposition,
        part.clefs,
      ]);
    });
  });
  it('and the same text when it is written again', () => {
    expect(writeMusicXml(read(demoText).score)).toBe(demoText);
  });
  it('compressed too, with a container or without', () => {
    expect(writeMusicXml(readMusicXml(compressMusicXml(demoText)).score)).toBe(demoText);
    expect(writeMusicXml(readMusicXml(zipSync({ 'score.xml': strToU8(demoText) })).score)).toBe(demoText);
  });
});

describe('reading files of others', () => {
  it('takes timewise scores', () => {
    const text = `<score-timewise version="1.0"><part-list><score-part id="A"><part-name>Oboe</part-name></score-part><score-part id="B"><part-name>Cello</part-name></score-part></part-list>
      <measure number="1"><part id="A"><attributes><divisions>1</divisions></attributes>${note('E', 5, 4, 'whole')}</part><part id="B"><attributes><divisions>2</divisions></attributes>${note('C', 3, 8, 'whole')}</part></measure></score-timewise>`;
    expect(read(text).score.parts.map((part, p) => [part.instrument, names(read(text), p)])).toEqual([
      ['oboe', ['E5@0+4']],
      ['cello', ['C3@0+4']],
    ]);
  });
  it('follows backup and forward, chords and two voices', () => {
    const text = score(
      `<measure number="1">${note('E', 5, 8, 'half')}${note('G', 5, 8, 'half', '', '<chord/>')}${note('F', 5, 8, 'half')}<backup><duration>16</duration></backup><forward><duration>4</duration></forward>${note('C', 4, 12, 'half', '').replace('<voice>1', '<voice>2').replace('</type>', '</type><dot/>')}</measure>`,
    );
    expect(names(read(text))).toEqual(['E5@0+2', 'G5@0+2', 'C4@1+3', 'F5@2+2']);
    expect(read(text).score.parts[0]!.bars[0]!.voices.map((voice) => voice.voice)).toEqual([1, 2]);
    expect(checkScore(read(text).score)).toEqual([]);
  });
  it('joins ties and leaves slurs what they are', () => {
    const tie = (type: string) => `<tie type="${type}"/>`;
    const text = score(
      `<measure number="1">${note('C', 5, 16, 'whole', '<notations><slur type="start"/></notations>').replace('<voice>', `${tie('start')}<voice>`)}</measure><measure number="2">${note('C', 5, 8, 'half').replace('<voice>', `${tie('stop')}<voice>`)}${note('D', 5, 8, 'half', '<notations><slur type="stop"/></notations>')}</measure>`,
    );
    expect(names(read(text))).toEqual(['C5@0+6', 'D5@6+2']);
    expect(read(text).score.parts[0]!.lines.slurs).toEqual([{ start: 0, end: 6 * QUARTER, voice: 1 }]);
  });
  it('reads triplets, nested brackets and grace notes', () => {
    const triplet =
      '<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes></time-modification>';
    const text = score(
      `<measure number="1"><note><grace slash="yes"/><pitch><step>B</step><octave>4</octave></pitch><voice>1</voice><type>eighth</type></note>${['C', 'D', 'E'].map((step, i) => note(step, 5, 2, 'eighth', `${triplet}<notations>${['<tuplet type="start"/>', '', '<tuplet type="stop"/>'][i]}</notations>`)).join('')}${note('F', 5, 6, 'quarter')}</measure>`,
      { head: '<divisions>6</divisions><time><beats>2</beats><beat-type>4</beat-type></time>' },
    );
    const { score: one } = read(text);
    expect(names({ score: one })).toEqual([`C5@0+${1 / 3}`, `D5@${1 / 3}+${1 / 3}`, `E5@${2 / 3}+${1 / 3}`, 'F5@1+1']);
    expect(graceNotesOf(one.parts[0]!.bars[0]!.voices[0]!.symbols[0]!).map((grace) => pitchName(grace.pitch))).toEqual([
      'B4',
    ]);
    expect(checkScore(one)).toEqual([]);
  });
  it('sounds transposing parts and octave lines at their pitches', () => {
    const transpose = '<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose>';
    const clarinet = read(
      score(whole(1), {
        name: 'Clarinet in Bb',
        head: `<divisions>4</divisions><key><fifths>2</fifths></key>${transpose}`,
      }),
    ).score;
    expect(soundsOf(clarinet.parts[0]!, clarinet.bars)[0]!.key).toBe(70);
    expect(clarinet.keys).toEqual([{ bar: 0, fifths: 0, mode: 'major' }]);
    expect(clarinet.parts[0]!.writtenKeys).toEqual([2]);
    const high = read(
      score(
        `<measure number="1"><direction><direction-type><octave-shift type="down" size="8"/></direction-type></direction>${note('C', 7, 16, 'whole')}<direction><direction-type><octave-shift type="stop" size="8"/></direction-type></direction></measure>`,
        { name: 'Violin' },
      ),
    ).score;
    expect(soundsOf(high.parts[0]!, high.bars)[0]!.key).toBe(96);
    expect(high.parts[0]!.lines.octaveLines).toEqual([{ start: 0, end: 4 * QUARTER, staff: 1, octaves: 1 }]);
  });
  it('finds drums by their instruments, or by where they stand', () => {
    const extra =
      '<score-instrument id="X1"><instrument-name>Kick</instrument-name></score-instrument><midi-instrument id="X1"><midi-channel>10</midi-channel><midi-unpitched>37</midi-unpitched></midi-instrument>';
    const drum = (step: string, octave: number, instrument: string, head = '') =>
      `<note><unpitched><display-step>${step}</display-step><display-octave>${octave}</display-octave></unpitched><duration>8</duration>${instrument}<voice>1</voice><type>half</type>${head}</note>`;
    const { score: one } = read(
      score(`<measure number="1">${drum('F', 4, '<instrument id="X1"/>')}${drum('F', 4, '')}</measure>`, {
        name: 'Drumset',
        extra,
      }),
    );
    expect(soundsOf(one.parts[0]!, one.bars).map((sound) => sound.key)).toEqual([36, 36]);
    expect(one.parts[0]!).toMatchObject({
      unpitched: true,
      instrument: 'drum-kit',
      struck: [{ key: 36, name: 'Kick' }],
    });
    const { score: bare } = read(
      score(`<measure number="1">${drum('G', 5, '', '<notehead>x</notehead>')}${drum('C', 5, '')}</measure>`, {
        name: 'Drumset',
      }),
    );
    expect(soundsOf(bare.parts[0]!, bare.bars).map((sound) => sound.key)).toEqual([42, 38]);
  });
  it('reads dynamics, hairpins, words, tempo, swing, fermatas, ornaments, lyrics and chord symbols', () => {
    const direction = (type: string, more = '') =>
      `<direction placement="above"><direction-type>${type}</direction-type>${more}</direction>`;
    const { score: one } = read(
      score(
        `<measure number="1">${direction('<dynamics><p/></dynamics>')}${direction('<wedge type="crescendo"/>')}${direction('<words>Andante</words>')}${direction('<metronome><beat-unit>quarter</beat-unit><beat-unit-dot/><per-minute>c. 60</per-minute></metronome>')}${direction('<words>pizz.</words>')}<harmony><root><root-step>B</root-step><root-alter>-1</root-alter></root><kind>minor-seventh</kind></harmony>${note('C', 5, 16, 'whole', '<notations><fermata/><ornaments><trill-mark/></ornaments><articulations><staccatissimo/><accent/></articulations></notations><lyric><syllabic>begin</syllabic><text>La</text></lyric>')}</measure>
       <measure number="2">${direction('<wedge type="stop"/>')}${direction('<dynamics><sfz/></dynamics>')}${direction('<dynamics><fp/></dynamics>')}${direction('<rehearsal>B</rehearsal>')}<sound><swing><first>2</first><second>1</second></swing></sound>${note('D', 5, 16, 'whole')}</measure>`,
      ),
    );
    expect(one.tempos).toEqual([{ at: 0, bpm: 90, shown: true, words: 'Andante' }]);
    expect(one.swing).toEqual([{ bar: expect.any(Number) as number, ratio: 2, unit: 'eighth' }]);
    expect(one.markers).toEqual([{ at: 4 * QUARTER, text: 'B', rehearsal: true }]);
    expect(one.parts[0]!.harmonies!.map(chordText)).toEqual(['B♭m7']);
    const { lines, bars } = one.parts[0]!;
    expect(lines.dynamics.map(({ level }) => level)).toEqual(['p', 'f', 'p']);
    expect(lines.hairpins).toEqual([{ start: 0, end: 4 * QUARTER, staff: 1, kind: 'crescendo' }]);
    expect(bars[0]!.voices[0]!.symbols[0]!.marks).toEqual({
      trill: true,
      fermata: 'normal',
      articulations: ['staccato', 'accent'],
      drawnAs: ['staccatissimo'],
      lyrics: [{ verse: 1, text: 'La', syllabic: 'begin' }],
      words: ['pizz.'],
    });
  });
  it('reads repeats, endings and jumps, from signs, sounds or words', () => {
    const barline = (inside: string, location = 'right') => `<barline location="${location}">${inside}</barline>`;
    const measures = [
      whole(1).replace('>', `>${barline('<repeat direction="forward"/>', 'left')}`),
      whole(2)
        .replace('</measure>', `${barline('<ending number="1" type="stop"/><repeat direction="backward"/>')}</measure>`)
        .replace('number="2">', `number="2">${barline('<ending number="1" type="start"/>', 'left')}`),
      whole(3)
        .replace('number="3">', `number="3">${barline('<ending number="2" type="start"/>', 'left')}`)
        .replace(
          '</measure>',
          `${barline('<ending number="2" type="discontinue"/>')}<direction><direction-type><words>Fine</words></direction-type></direction></measure>`,
        ),
      whole(4).replace(
        '</measure>',
        '<direction><direction-type><words>D.C. al Fine</words></direction-type></direction></measure>',
      ),
    ];
    expect(read(score(measures.join(''))).score.signs).toEqual({
      0: { repeatStart: true },
      1: { ending: [1], endingStop: 'stop', repeatEnd: { times: 2 } },
      2: { ending: [2], endingStop: 'discontinue', fine: true },
      3: { jump: 'daCapo' },
    });
  });
  it('counts a pickup as bar 0, and mends voices that are too long or too short', () => {
    const pickup = read(
      score(
        `<measure number="0" implicit="yes"><attributes><divisions>4</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>${note('G', 4, 4, 'quarter')}</measure>${whole(1)}`,
      ),
    ).score;
    expect(pickup.bars.map(({ number, length, implicit }) => [number, length / QUARTER, implicit])).toEqual([
      [0, 1, true],
      [1, 4, false],
    ]);
    const long = read(
      score(`<measure number="1">${note('C', 5, 16, 'whole')}${note('D', 5, 16, 'whole')}</measure>${whole(2)}`)
        .replace('<part-list>', '<part-list><score-part id="P2"><part-name>Oboe</part-name></score-part>')
        .replace(
          '</score-partwise>',
          `<part id="P2"><measure number="1"><attributes><divisions>4</divisions></attributes>${note('E', 5, 16, 'whole')}</measure>${whole(2)}</part><part id="P3"><measure number="1"><attributes><divisions>4</divisions></attributes>${note('G', 4, 16, 'whole')}</measure>${whole(2)}</part></score-partwise>`,
        )
        .replace('<part-list>', '<part-list><score-part id="P3"><part-name>Clarinet</part-name></score-part>'),
    );
    expect(long.warnings.map(({ message }) => message)).toEqual([
      'a voice is longer than the bar; what reaches over its end is cut off',
    ]);
    expect(checkScore(long.score)).toEqual([]);
    const voices = read(
      score(
        `${whole(1)}<measure number="2">${note('C', 5, 16, 'whole')}<backup><duration>16</duration></backup>${note('E', 4, 4, 'quarter').replace('<voice>1', '<voice>2')}</measure>`,
      ),
    ).score;
    expect(voices.bars.map((bar) => bar.length / QUARTER)).toEqual([4, 4]);
    expect(checkScore(voices)).toEqual([]);
  });
  it('lets a bar last as long as its music, and says so where nothing explains it', () => {
    const ofQuarters = (number: number, count: number) =>
      `<measure number="${number}">${note('C', 5, 4, 'quarter').repeat(count)}</measure>`;
    const starts = (measures: string) => {
      const { score: one, warnings } = read(score(measures));
      expect(checkScore(one)).toEqual([]);
      return { starts: one.bars.map((bar) => bar.start / QUARTER), said: warnings.map(({ message }) => message) };
    };
    const whole1 = whole(1);
    // A pickup, a bar cut by a repeat and the bar that completes it.
    expect(starts(`${whole1}${ofQuarters(2, 3)}${ofQuarters(3, 1)}${whole(4)}`)).toEqual({
      starts: [0, 4, 7, 8],
      said: [],
    });
    expect(starts(`${whole1}${ofQuarters(2, 2)}${whole(3)}`)).toEqual({
      starts: [0, 4, 6],
      said: [
        'bar 2 holds 2 quarters of music where its time signature asks for 4 quarters; it lasts as long as its music',
      ],
    });
    // A cadenza: nothing of it is lost.
    const cadenza = starts(`${whole1}${ofQuarters(2, 11)}${whole(3)}`);
    expect(cadenza.starts).toEqual([0, 4, 15]);
    expect(cadenza.said).toEqual([
      'bar 2 holds 11 quarters of music where its time signature asks for 4 quarters; it lasts as long as its music',
    ]);
  });
  it('keeps the staves of a piano apart, whether voices are named, missing, or counted anew on each staff', () => {
    const head =
      '<divisions>4</divisions><staves>2</staves><clef number="1"><sign>G</sign><line>2</line></clef><clef number="2"><sign>F</sign><line>4</line></clef>';
    const piano = (left: (text: string) => string) =>
      read(
        score(
          `<measure number="1">${left(note('E', 5, 16, 'whole', '<staff>1</staff>'))}<backup><duration>16</duration></backup>${['C', 'G'].map((step) => left(note(step, 3, 8, 'half', '<staff>2</staff>'))).join('')}</measure>`,
          { name: 'Piano', head },
        ),
      ).score;
    for (const one of [
      piano((text) => (text.includes('<staff>2') ? text.replace('<voice>1', '<voice>5') : text)),
      piano((text) => text.replace('<voice>1</voice>', '')),
      piano((text) => text),
    ]) {
      expect(names({ score: one })).toEqual(['C3@0+2', 'E5@0+4', 'G3@2+2']);
      expect(one.parts[0]!.bars[0]!.voices.map(({ staff, voice }) => [staff, voice])).toEqual([
        [1, 1],
        [2, 5],
      ]);
      expect(checkScore(one)).toEqual([]);
    }
  });
  it('keeps a voice whole that crosses from one staff to the other', () => {
    const crossing = ['C', 'E', 'G', 'C']
      .map((step, i) => note(step, i === 3 ? 5 : 4, 4, 'quarter', `<staff>${i < 2 ? 2 : 1}</staff>`))
      .join('');
    const { score: one } = read(
      score(`<measure number="1">${crossing}</measure>`, {
        name: 'Harp',
        head: '<divisions>4</divisions><staves>2</staves>',
      }),
    );
    expect(one.parts[0]!.bars[0]!.voices).toHaveLength(1);
    expect(names({ score: one })).toEqual(['C4@0+1', 'E4@1+1', 'G4@2+1', 'C5@3+1']);
  });
  it('writes a bar under a repeat sign as the bar before, when it is empty there', () => {
    const measures = `${whole(1)}<measure number="2"><attributes><measure-style><measure-repeat type="start">1</measure-repeat></measure-style></attributes><note><rest measure="yes"/><duration>16</duration></note></measure><measure number="3"><attributes><measure-style><measure-repeat type="stop"/></measure-style></attributes><note><rest/><duration>16</duration></note></measure>`;
    expect(names(read(score(measures)))).toEqual(['C5@0+4', 'C5@4+4']);
  });
  it('knows instruments by sound id where the name says nothing, and changes of instrument', () => {
    const extra =
      '<score-instrument id="I1"><instrument-name>x</instrument-name><instrument-sound>brass.trombone.tenor</instrument-sound></score-instrument><score-instrument id="I2"><instrument-name>y</instrument-name></score-instrument><midi-instrument id="I1"><midi-program>58</midi-program></midi-instrument><midi-instrument id="I2"><midi-program>59</midi-program></midi-instrument>';
    const { score: one } = read(
      score(
        `<measure number="1">${note('C', 3, 8, 'half').replace('<voice>', '<instrument id="I1"/><voice>')}${note('D', 3, 8, 'half').replace('<voice>', '<instrument id="I2"/><voice>')}</measure>`,
        { name: 'Staff 3', extra },
      ),
    );
    expect(one.parts[0]!).toMatchObject({ program: 58, doublings: [{ name: 'y', program: 59 }] });
    expect(one.parts[0]!.bars[0]!.voices[0]!.symbols.map(({ notes }) => notes[0]!.doubling)).toEqual([undefined, 0]);
  });
  it('takes tablature below its notation once, with its frets', () => {
    const tab = note(
      'C',
      4,
      16,
      'whole',
      '<staff>2</staff><notations><technical><string>2</string><fret>1</fret></technical></notations>',
    ).replace('<voice>1', '<voice>5');
    const text = score(
      `<measure number="1">${note('C', 4, 16, 'whole', '<staff>1</staff>')}<backup><duration>16</duration></backup>${tab}</measure>`,
      {
        name: 'Guitar',
        head: '<divisions>4</divisions><staves>2</staves><clef number="1"><sign>G</sign><line>2</line></clef><clef number="2"><sign>TAB</sign></clef><staff-details number="2"><staff-lines>6</staff-lines><staff-tuning line="1"><tuning-step>E</tuning-step><tuning-octave>2</tuning-octave></staff-tuning></staff-details>',
      },
    );
    const { score: one } = read(text);
    expect(names({ score: one })).toEqual(['C4@0+4']);
    expect(one.parts[0]!.tablature).toEqual({ show: 'both', tuning: [40], capo: 0 });
    expect(one.parts[0]!.bars[0]!.voices[0]!.symbols[0]!.notes[0]!.fingering).toEqual({ string: 2, fret: 1 });
  });
});
