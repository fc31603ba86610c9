/**
 * What stands behind the title in the name of a track without notes, so that nobody takes it for empty and deletes it.
 */
const SUFFIX = 'tempo, meter, markers';

export function conductorName(title: string): string {
  return title ? `${title} · ${SUFFIX}` : `${SUFFIX[0]!.toUpperCase()}${SUFFIX.slice(1)}`;
}

/** What first tracks are commonly called, in five languages: it says what the track is, and no title. Common practice. */
const NO_TITLE = new RegExp(
  `^(?:the )?(?:${[
    'tempo',
    'tempo ?(?:map|track|changes?|spur|list)',
    'conductor',
    '(?:conductor|control|master|meta|global|marker|signature|click|midi|sequencer?|song|time ?sig(?:nature)?s?) ?tracks?',
    'master',
    'meta(?: ?(?:data|events?))?',
    'markers?',
    'time ?sig(?:nature)?s?',
    'signatures?',
    'seq(?:uence)?',
    'song',
    'midi(?: ?(?:file|out|data))?',
    'tra?c?k',
    'inst(?:rument)?',
    'untitled',
    'no ?name',
    'unnamed',
    'new ?(?:song|project|file)',
    'score',
    'title',
    'type ?[01]',
    'steuerspur|taktspur|dirigent|tempospur|ohne titel|unbenannt',
    'chef(?: d.orchestre)?|sans titre|piste (?:de )?tempo|contr[oô]le',
    'direttore|traccia (?:di )?tempo|senza titolo',
    'direcci[oó]n|director|pista (?:de )?tempo|sin t[ií]tulo',
  ].join('|')})[ _#.-]*\\d*$`,
  'i',
);

/** The piece's title in the name of its first track; empty where that is a name of such tracks. */
export function titleFromConductor(name: string): string {
  const said = name.endsWith(` · ${SUFFIX}`) ? name.slice(0, -SUFFIX.length - 3) : name;
  const plain = said.trim().replace(/[_\s]+/g, ' ');
  return said.toLowerCase() === SUFFIX || NO_TITLE.test(plain) ? '' : said;
}

/** What stands at the end of a file's name and says which version it is. */
const VERSION =
  /[\s_.,-]*[([]?\b(?:v(?:er(?:sion)?)?[\s_.]?\d+(?:[._]\d+)*[a-z]?|rev(?:ision)?[\s_.]?\d*|r\d+|final\d*|draft\d*|mock[\s_-]?up|copy(?:[\s_]\d+)?|kopie|temp|latest|new|\d{4}[-_.]\d\d[-_.]\d\d|(?:19|20)\d{6}|\(\d+\))\b[)\]]?$|[\s_]*\(\d+\)$/i;

/** A title out of a file's name: without its ending and words of versions, as "Goose, cue 3" from "goose_cue_3_v2 FINAL.mid". */
export function titleFromFile(fileName: string): string {
  let title = fileName.replace(/\.[a-z0-9]{2,8}$/i, '').replace(/_+/g, ' ');
  for (let before = ''; before !== title;) {
    before = title;
    const shorter = title.replace(VERSION, '').trim();
    if (shorter !== '') title = shorter;
  }
  return title.replace(/\s+/g, ' ').trim();
}
