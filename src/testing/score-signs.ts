/*
 * Signs that a score may have, one a case, from the lists of the MusicXML 4.0 schema: each as it stands in a file, and
 * what must be found in the file that we write of it.
 */
import { HEAD, noteText, partText, scoreText } from './musicxml-text';

export interface SignCase {
  name: string;
  musicXml: string;
  /** What the written file must have, spaces between elements aside. */
  kept: RegExp;
}

const names = (text: string): string[] => text.split(' ');
const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
/** The opening of an element with these attributes in any order, and its text. */
function pattern(xml: string): RegExp {
  const [, name, said = '', text = ''] = /^<([\w-]+)((?:\s+[\w:-]+="[^"]*")*)\s*(?:\/>|>([^<]*))/.exec(xml)!;
  const each = [...said.matchAll(/([\w:-]+)="([^"]*)"/g)].map(
    ([, key, value]) => `(?=[^>]*\\b${key}="${escaped(value!)}")`,
  );
  return new RegExp(`<${name}\\b${each.join('')}[^>]*>${escaped(text.trim())}`);
}

const plain = (bars: readonly string[], head = HEAD, declared = '') => scoreText([partText(bars, head)], [declared]);
const rest = ['D5', 'E5', 'F5'].map((name) => noteText(name, 4)).join('');
const second = noteText('G5', 16);

const atNote = (name: string, more: Parameters<typeof noteText>[2], kept: RegExp): SignCase => ({
  name: `note: ${name}`,
  musicXml: plain([noteText('C5', 4, more) + rest, second]),
  kept,
});
const notation = (xml: string, group = ''): SignCase =>
  atNote(`${group} ${xml}`, { notations: group ? `<${group}>${xml}</${group}>` : xml }, pattern(xml));
const inBar = (name: string, xml: string, kept = pattern(xml), before = ''): SignCase => ({
  name: `bar: ${name}`,
  musicXml: plain([before + noteText('C5', 4) + xml + rest, second]),
  kept,
});
const direction = (xml: string, attributes = ''): SignCase =>
  inBar(xml, `<direction ${attributes}><direction-type>${xml}</direction-type></direction>`, pattern(xml));

const ORNAMENTS = names(
  'trill-mark turn delayed-turn inverted-turn delayed-inverted-turn vertical-turn inverted-vertical-turn shake mordent inverted-mordent schleifer haydn',
).map((name) => notation(`<${name}/>`, 'ornaments'));

const TECHNICAL = [
  ...names(
    'up-bow down-bow open-string thumb-position double-tongue triple-tongue stopped snap-pizzicato open half-muted fingernails brass-bend flip smear golpe',
  ).map((name) => `<${name}/>`),
  '<fingering>3</fingering>',
  '<fingering substitution="yes">4</fingering>',
  '<pluck>p</pluck>',
  '<string>2</string>',
  '<tap>T</tap>',
  '<heel/>',
  '<toe substitution="yes"/>',
  '<handbell>damp</handbell>',
  '<other-technical>knock</other-technical>',
  '<hammer-on type="start" number="1">H</hammer-on>',
  '<pull-off type="start" number="1">P</pull-off>',
].map((xml) => notation(xml, 'technical'));

const ARTICULATIONS = [
  ...names(
    'accent strong-accent staccato tenuto detached-legato staccatissimo spiccato scoop plop doit falloff stress unstress soft-accent',
  ).map((name) => `<${name}/>`),
  '<strong-accent type="down"/>',
  '<breath-mark>tick</breath-mark>',
  '<breath-mark>upbow</breath-mark>',
  '<caesura>short</caesura>',
  '<caesura>curved</caesura>',
  '<other-articulation>sighing</other-articulation>',
  '<staccato placement="below"/>',
].map((xml) => notation(xml, 'articulations'));

const NOTATIONS = [
  '<fermata type="inverted"/>',
  '<fermata>angled</fermata>',
  '<fermata>square</fermata>',
  '<fermata>half-curve</fermata>',
  '<arpeggiate direction="down"/>',
  '<non-arpeggiate type="bottom"/>',
  '<other-notation type="single">x</other-notation>',
  '<accidental-mark placement="above">sharp</accidental-mark>',
].map((xml) => notation(xml));

/** Behind the value of the first note. */
const afterType = (xml: string): SignCase => ({
  name: `note: ${xml}`,
  musicXml: plain([noteText('C5', 4).replace('</type>', `</type>${xml}`) + rest, second]),
  kept: pattern(xml),
});
const AFTER_TYPE = [
  ...names('cautionary editorial parentheses bracket').map((how) => `<accidental ${how}="yes">natural</accidental>`),
  ...names(
    'quarter-flat quarter-sharp three-quarters-flat three-quarters-sharp slash-flat slash-sharp sharp-down flat-up natural-up natural-down triple-sharp sori koron',
  ).map((sign) => `<accidental>${sign}</accidental>`),
  ...names('none double down').map((stem) => `<stem>${stem}</stem>`),
  '<notehead parentheses="yes">normal</notehead>',
  '<notehead filled="no">normal</notehead>',
  ...names('diamond slash x').map((head) => `<notehead>${head}</notehead>`),
  '<notehead-text><display-text>A</display-text></notehead-text>',
].map(afterType);

const DIRECTIONS = [
  '<harp-pedals><pedal-tuning><pedal-step>D</pedal-step><pedal-alter>0</pedal-alter></pedal-tuning></harp-pedals>',
  '<scordatura><accord string="1"><tuning-step>E</tuning-step><tuning-octave>4</tuning-octave></accord></scordatura>',
  '<principal-voice type="start" symbol="Hauptstimme"/>',
  '<accordion-registration><accordion-high/></accordion-registration>',
  '<percussion><stick><stick-type>timpani</stick-type><stick-material>hard</stick-material></stick></percussion>',
  '<percussion><membrane>snare drum</membrane></percussion>',
  '<damp/>',
  '<damp-all/>',
  '<eyeglasses/>',
  '<bracket type="start" number="1" line-end="down"/>',
  '<bracket type="start" number="1" line-end="up" line-type="dashed"/>',
  '<staff-divide type="down"/>',
  '<dynamics><other-dynamics>pfz</other-dynamics></dynamics>',
  '<dynamics><pf/></dynamics>',
  '<words font-style="italic">dolce</words>',
  '<words font-weight="bold" enclosure="rectangle">Solo</words>',
  '<rehearsal enclosure="circle">A</rehearsal>',
  '<wedge type="crescendo" niente="yes"/>',
  '<pedal type="start" line="yes"/>',
].map((xml) => direction(xml));

const DASHES: SignCase = {
  name: 'bar: dashes after rit.',
  musicXml: plain([
    `<direction><direction-type><words>rit.</words></direction-type><direction-type><dashes type="start" number="1"/></direction-type></direction>${noteText('C5', 4)}${rest}<direction><direction-type><dashes type="stop" number="1"/></direction-type></direction>`,
    second,
  ]),
  kept: /<dashes[^>]*type="start"[\s\S]*<dashes[^>]*type="stop"/,
};

const inAttributes = (name: string, xml: string, kept = pattern(xml)): SignCase => ({
  name: `attributes: ${name}`,
  musicXml: plain([noteText('C5', 4) + rest, second], HEAD + xml),
  kept,
});
const ATTRIBUTES = [
  '<staff-details print-object="no"><staff-lines>5</staff-lines></staff-details>',
  '<staff-details><staff-type>ossia</staff-type></staff-details>',
  '<staff-details><staff-size>60</staff-size></staff-details>',
  '<measure-style><slash type="start" use-stems="yes"/></measure-style>',
  '<measure-style><beat-repeat type="start" slashes="2"/></measure-style>',
  '<measure-style><multiple-rest use-symbols="yes">4</multiple-rest></measure-style>',
].map((xml) => inAttributes(xml, xml, pattern(xml.replace(/^<(?:staff-details|measure-style)>/, ''))));
const SIGNATURES: SignCase[] = [
  {
    name: 'attributes: hidden meter',
    musicXml: plain([noteText('C5', 4) + rest, second], HEAD.replace('<time>', '<time print-object="no">')),
    kept: /<time[^>]*print-object="no"/,
  },
  {
    name: 'attributes: cut time sign',
    musicXml: plain([noteText('C5', 4) + rest, second], HEAD.replace('<time>', '<time symbol="common">')),
    kept: /<time[^>]*symbol="common"/,
  },
  {
    name: 'attributes: modal key',
    musicXml: plain(
      [noteText('C5', 4) + rest, second],
      HEAD.replace('<time>', '<key><fifths>0</fifths><mode>dorian</mode></key><time>'),
    ),
    kept: /<mode>dorian</,
  },
  {
    name: 'attributes: key that is not of fifths',
    musicXml: plain(
      [noteText('C5', 4) + rest, second],
      HEAD.replace('<time>', '<key><key-step>F</key-step><key-alter>1</key-alter></key><time>'),
    ),
    kept: /<key-step>F</,
  },
  ...names('1 2 3 5').map((line): SignCase => ({
    name: `attributes: clef C on line ${line}`,
    musicXml: plain(
      [noteText('C5', 4) + rest, second],
      HEAD.replace('<sign>G</sign><line>2</line>', `<sign>C</sign><line>${line}</line>`),
    ),
    kept: new RegExp(`<sign>C</sign>\\s*<line>${line}<`),
  })),
  {
    name: 'attributes: French violin clef',
    musicXml: plain([noteText('C5', 4) + rest, second], HEAD.replace('<line>2</line>', '<line>1</line>')),
    kept: /<sign>G<\/sign>\s*<line>1</,
  },
];

const BARLINES = [
  ...names('dashed dotted heavy light-light tick short none heavy-heavy heavy-light light-heavy').map(
    (style) => `<barline location="right"><bar-style>${style}</bar-style></barline>`,
  ),
].map((xml): SignCase => ({
  name: `barline: ${xml}`,
  musicXml: plain([noteText('C5', 4) + rest + xml, second]),
  kept: new RegExp(/<bar-style>.*<\/bar-style>/.exec(xml)![0]),
}));
const ENDINGS: SignCase[] = [
  {
    name: 'barline: text of an ending',
    musicXml: plain([
      noteText('C5', 4) + rest,
      `<barline location="left"><ending number="1" type="start">1.–3.</ending></barline>${second}<barline location="right"><ending number="1" type="stop"/><repeat direction="backward" winged="curved"/></barline>`,
      `<barline location="left"><ending number="2" type="start">last</ending></barline>${second}<barline location="right"><ending number="2" type="discontinue"/></barline>`,
    ]),
    kept: /1\.–3\.<[\s\S]*winged="curved"[\s\S]*>last</,
  },
];

const HEADS: SignCase[] = (
  [
    [
      'lyricist',
      '<identification><creator type="lyricist">A. Wren</creator></identification>',
      /type="lyricist">A. Wren</,
    ],
    [
      'arranger',
      '<identification><creator type="arranger">B. Lark</creator></identification>',
      /type="arranger">B. Lark</,
    ],
    ['source', '<identification><source>A tin box</source></identification>', /<source>A tin box</],
    ['work number', '<work><work-number>Op. 3</work-number><work-title>Owl</work-title></work>', /<work-number>Op. 3</],
    [
      'movement',
      '<work><work-title>Owl</work-title></work><movement-number>2</movement-number><movement-title>Dusk</movement-title>',
      /<movement-number>2<[\s\S]*Dusk</,
    ],
    [
      'subtitle',
      '<credit page="1"><credit-type>subtitle</credit-type><credit-words>for owls</credit-words></credit>',
      /for owls/,
    ],
    [
      'miscellaneous',
      '<identification><miscellaneous><miscellaneous-field name="for">owls</miscellaneous-field></miscellaneous></identification>',
      /name="for">owls</,
    ],
  ] as const
).map(([name, xml, kept]) => ({
  name: `head: ${name}`,
  musicXml: plain([noteText('C5', 4) + rest, second]).replace('<part-list>', `${xml}<part-list>`),
  kept,
}));
const GROUPS: SignCase[] = names('square line bracket brace').map((symbol) => ({
  name: `head: group ${symbol}`,
  musicXml: plain([noteText('C5', 4) + rest, second]).replace(
    /<part-list>(.*)<\/part-list>/,
    `<part-list><part-group type="start" number="1"><group-name>Owls</group-name><group-symbol>${symbol}</group-symbol><group-barline>Mensurstrich</group-barline></part-group>$1<part-group type="stop" number="1"/></part-list>`,
  ),
  kept: new RegExp(`Owls<[\\s\\S]*${symbol}<[\\s\\S]*Mensurstrich`),
}));

const slurred = (attributes: string, end = '') =>
  plain([
    noteText('C5', 4, { notations: `<slur type="start" number="1" ${attributes}/>` }) +
      noteText('D5', 4, { notations: `<slur type="stop" number="1" ${end}/>` }) +
      noteText('E5', 8),
    second,
  ]);
const LINES: SignCase[] = [
  { name: 'slur: dashed', musicXml: slurred('line-type="dashed"'), kept: /<slur[^>]*line-type="dashed"/ },
  { name: 'slur: below', musicXml: slurred('placement="below"'), kept: /<slur[^>]*placement="below"/ },
  { name: 'slur: over', musicXml: slurred('orientation="over"'), kept: /<slur[^>]*orientation="over"/ },
];

const BEAMS: SignCase[] = [
  {
    name: 'beams: as written',
    musicXml: plain([
      ['begin', 'continue', 'continue', 'end', '', '', '', '']
        .map((beam, i) =>
          noteText(['C5', 'D5', 'E5', 'F5'][i % 4]!, 2, { after: '' }).replace(
            '</note>',
            beam ? `<beam number="1">${beam}</beam></note>` : '</note>',
          ),
        )
        .join(''),
      second,
    ]),
    kept: /continue<\/beam>[\s\S]*continue<\/beam>/,
  },
  {
    name: 'beams: feathered',
    musicXml: plain([
      ['begin', 'continue', 'continue', 'end', 'begin', 'continue', 'continue', 'end']
        .map((beam, i) =>
          noteText(['C5', 'D5', 'E5', 'F5'][i % 4]!, 2).replace(
            '</note>',
            `<beam number="1" fan="accel">${beam}</beam></note>`,
          ),
        )
        .join(''),
      second,
    ]),
    kept: /fan="accel"/,
  },
];

const NOTE_ATTRIBUTES: SignCase[] = [
  atNote('small', {}, /<type size="cue">quarter</),
  atNote('no leger lines', { attributes: 'print-leger="no"' }, /<note[^>]*print-leger="no"/),
  atNote('colour', { attributes: 'color="#FF0000"' }, /<note[^>]*color="#FF0000"/),
].map((one) =>
  one.name === 'note: small'
    ? { ...one, musicXml: one.musicXml.replace('<type>quarter</type>', '<type size="cue">quarter</type>') }
    : one,
);

const HARMONIES: SignCase[] = (
  [
    [
      'frame',
      '<frame><frame-strings>6</frame-strings><frame-frets>4</frame-frets><frame-note><string>1</string><fret>0</fret></frame-note></frame>',
    ],
    ['inversion', '<inversion>1</inversion>'],
  ] as const
).map(([name, xml]) =>
  inBar(
    `chord symbol with ${name}`,
    `<harmony><root><root-step>C</root-step></root><kind>major</kind>${xml}</harmony>`,
    new RegExp(`<${name}>`),
  ),
);

const BARS: SignCase[] = [
  {
    name: 'bar: numbered 12a',
    musicXml: plain([noteText('C5', 4) + rest, second]).replace('number="2"', 'number="12a"'),
    kept: /<measure[^>]*number="12a"/,
  },
  {
    name: 'bar: numbers shown by systems',
    musicXml: plain([
      `<print><measure-numbering>system</measure-numbering></print>${noteText('C5', 4)}${rest}`,
      second,
    ]),
    kept: /<measure-numbering>system</,
  },
];

const LYRICS: SignCase[] = [
  atNote('lyric above', { after: '<lyric placement="above"><text>la</text></lyric>' }, /<lyric[^>]*placement="above"/),
  atNote('lyric of a chorus', { after: '<lyric name="chorus"><text>la</text></lyric>' }, /<lyric[^>]*name="chorus"/),
  atNote('humming', { after: '<lyric><humming/></lyric>' }, /<humming/),
];

/** Naturals that say so in a number, as some programs write them. */
const ZERO_ALTERS: SignCase = {
  name: 'note: alter 0 beside a stopped note',
  musicXml: plain([noteText('C5', 4, { notations: '<technical><stopped/></technical>' }) + rest, second]).replaceAll(
    '</step>',
    '</step><alter>0</alter>',
  ),
  kept: /<stopped\/>/,
};

export const SIGN_CASES: readonly SignCase[] = [
  ...ORNAMENTS,
  ...TECHNICAL,
  ...ARTICULATIONS,
  ...NOTATIONS,
  ...AFTER_TYPE,
  ...DIRECTIONS,
  DASHES,
  ...ATTRIBUTES,
  ...SIGNATURES,
  ...BARLINES,
  ...ENDINGS,
  ...HEADS,
  ...GROUPS,
  ...LINES,
  ...BEAMS,
  ...NOTE_ATTRIBUTES,
  ZERO_ALTERS,
  ...HARMONIES,
  ...BARS,
  ...LYRICS,
];
