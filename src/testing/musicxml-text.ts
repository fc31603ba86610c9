/* Small MusicXML files made by hand for tests: four divisions to the quarter, 4/4, one voice unless said. */

export const HEAD =
  '<divisions>4</divisions><time><beats>4</beats><beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line></clef>';

const TYPES: Record<number, string> = { 1: '16th', 2: 'eighth', 4: 'quarter', 8: 'half', 16: 'whole' };

interface NoteText {
  /** In divisions. */
  duration?: number;
  type?: string;
  voice?: number;
  staff?: number;
  /** Elements before the pitch, in and after the note. */
  before?: string;
  ties?: string;
  notations?: string;
  after?: string;
  attributes?: string;
}

/** "C5", "F#4", "Bb3"; "r" rests. */
export function noteText(
  name: string,
  duration: number,
  { type, voice = 1, staff, before = '', ties = '', notations = '', after = '', attributes = '' }: NoteText = {},
): string {
  const [, step, sign, octave] = /^([A-G])([#b]?)(\d)$/.exec(name) ?? [];
  const alter = sign === '#' ? 1 : -1;
  const pitch = step
    ? `<pitch><step>${step}</step>${sign ? `<alter>${alter}</alter>` : ''}<octave>${octave}</octave></pitch>`
    : '<rest/>';
  const length = /<grace/.test(before) ? '' : `<duration>${duration}</duration>`;
  return [
    `<note ${attributes}>${before}${pitch}${length}${ties}<voice>${voice}</voice>`,
    `<type>${type ?? TYPES[duration] ?? 'quarter'}</type>`,
    staff ? `<staff>${staff}</staff>` : '',
    notations && `<notations>${notations}</notations>`,
    `${after}</note>`,
  ].join('');
}

export const backupText = (duration: number) => `<backup><duration>${duration}</duration></backup>`;

export const directionText = (type: string, more = '', attributes = '') =>
  `<direction ${attributes}><direction-type>${type}</direction-type>${more}</direction>`;

/** Measures of one part with their numbers; the first one has the head. */
export function partText(measures: readonly string[], head = HEAD): string {
  return measures
    .map(
      (text, i) => `<measure number="${i + 1}">${i === 0 ? `<attributes>${head}</attributes>` : ''}${text}</measure>`,
    )
    .join('');
}

/** @param parts measures of each part @param declared what each part's score-part holds beside its name */
export function scoreText(
  parts: readonly string[],
  declared: readonly string[] = [],
  names: readonly string[] = [],
): string {
  const list = parts.map(
    (_, p) =>
      `<score-part id="P${p + 1}"><part-name>${names[p] ?? 'Flute'}</part-name>${declared[p] ?? ''}</score-part>`,
  );
  const bodies = parts.map((text, p) => `<part id="P${p + 1}">${text}</part>`);
  return `<?xml version="1.0"?><score-partwise version="4.0"><part-list>${list.join('')}</part-list>${bodies.join('')}</score-partwise>`;
}
