import { groupBy } from '../base';
import { withoutSuggestions, type BarSigns, type Score } from '../score';
import type { Bar } from '../time';
import { nodesAbove } from './above';
import type { NameNote } from './ids';
import { PartMusic } from './part-music';
import { changesBefore, firstStaves, staffGroups } from './staff-definitions';
import { mei, meiText, type MeiNode } from './tree';

export interface MeiOptions {
  /** Names of notes in the text, where they are to be found again. */
  noteId?: NameNote;
  /** The last bar is the end of the piece and gets a final barline; true unless a passage is written. */
  finalBarline?: boolean;
  /** Empty bars one after the other become one rest over several bars: for single parts. */
  multiRests?: boolean;
  /** Suggested marks are written in this colour; without one they are left away. */
  suggestionColour?: string;
}

/**
 * Writes a score as MEI 5 (Music Encoding Initiative, CMN), each staff with its own signatures: what the engraver draws.
 * Measures have the ids `m1`, `m2` … by bar index from 1.
 */
export function writeMei(given: Score, options: MeiOptions = {}): string {
  const score = options.suggestionColour ? given : withoutSuggestions(given);
  const head = mei(
    'meiHead',
    {},
    mei('fileDesc', {}, mei('titleStmt', {}, mei('title', {}, score.title), composers(score)), mei('pubStmt')),
  );
  const first = firstStaves(score.parts);
  const body = mei(
    'body',
    {},
    mei(
      'mdiv',
      {},
      mei(
        'score',
        {},
        mei('scoreDef', {}, pageHead(score), staffGroups(score, first)),
        mei('section', {}, sectionOf(score, options)),
      ),
    ),
  );
  const root = mei(
    'mei',
    { xmlns: 'http://www.music-encoding.org/ns/mei', meiversion: '5.1' },
    head,
    mei('music', {}, body),
  );
  return `<?xml version="1.0" encoding="UTF-8"?>\n${meiText(root)}\n`;
}

const composers = ({ composer }: Score): MeiNode | null =>
  composer ? mei('respStmt', {}, mei('persName', { role: 'composer' }, composer)) : null;

/** What stands at the head of the first page. */
function pageHead({ title, composer }: Score): MeiNode | null {
  if (!title && !composer) return null;
  return mei(
    'pgHead',
    { func: 'first' },
    title && mei('rend', { halign: 'center', valign: 'top', fontsize: 'x-large' }, title),
    composer && mei('rend', { halign: 'right', valign: 'bottom' }, composer),
  );
}

/** Measures in order, those of an ending in an element of their own. */
function sectionOf(score: Score, options: MeiOptions): MeiNode[] {
  const first = firstStaves(score.parts);
  const { noteId, suggestionColour } = options;
  const multiRests = options.multiRests === true && score.parts.length === 1;
  const music = score.parts.map(
    (part, p) =>
      new PartMusic(score, part, first.get(part)!, {
        nameNote: noteId,
        colour: suggestionColour,
        multiRests,
        prefix: `p${p + 1}-`,
      }),
  );
  const above = groupBy(nodesAbove(score), ({ bar }) => bar);
  const nodes: MeiNode[] = [];
  let ending: MeiNode | null = null;
  let resting = 0;
  score.bars.forEach((bar, i) => {
    if (resting > 0) {
      resting--;
      return;
    }
    const signs = score.signs[i];
    if (signs?.ending) {
      ending = endingOf(score, i);
      nodes.push(ending);
    }
    const into = ending ? ending.children : nodes;
    const changes = changesBefore(score, i, first);
    if (changes) into.push(changes);
    const parts = music.map((one) => one.bar(bar));
    const rest = music[0]?.rests.get(i) ?? 1;
    resting = multiRests ? rest - 1 : 0;
    const last = i + resting;
    into.push(
      mei(
        'measure',
        { 'xml:id': `m${i + 1}`, ...measureAttributes(score, bar, last, options) },
        parts.flatMap(({ staves }) => staves),
        (above.get(i) ?? []).map(({ node }) => node),
        parts.flatMap(({ pointing }) => pointing),
      ),
    );
    if (signs?.endingStop) ending = null;
  });
  return nodes;
}

function endingOf({ signs }: Score, index: number): MeiNode {
  const numbers = signs[index]!.ending!;
  let stop: BarSigns['endingStop'];
  for (let b = index; stop === undefined && signs[b] !== undefined; b++) stop = signs[b]!.endingStop;
  return mei('ending', {
    n: numbers[0],
    label: `${numbers.join(', ')}.`,
    lendsym: stop === 'discontinue' ? 'none' : 'angledown',
  });
}

/** Barlines by the names of MusicXML. */
const BARLINES: Readonly<Record<string, string>> = {
  'light-light': 'dbl',
  'light-heavy': 'end',
  'heavy-heavy': 'dblheavy',
  heavy: 'heavy',
  dashed: 'dashed',
  dotted: 'dotted',
  none: 'invis',
};

/** @param last the bar it ends with: a rest may take several */
function measureAttributes({ signs, bars }: Score, bar: Bar, last: number, { finalBarline = true }: MeiOptions) {
  const [begins, ends] = [signs[bar.index], signs[last]];
  const end = finalBarline && last === bars.length - 1 ? 'end' : undefined;
  const style = ends?.barline ? BARLINES[ends.barline] : undefined;
  return {
    n: bar.number,
    metcon: bar.implicit ? 'false' : undefined,
    left: begins?.repeatStart ? 'rptstart' : undefined,
    right: ends?.repeatEnd ? 'rptend' : (end ?? style),
  };
}
