/* The story of a job: what arrived, who decided what, what came of it, what is open. As Markdown. */
import { say } from '../words';
import { describe, type Decision, type NameOf } from '../decisions';
import type { Agreement } from '../proof';

export interface Story {
  name: string;
  direction: 'to-score' | 'to-sequencer';
  originals: readonly { fileName: string; size: number; sha256: string }[];
  /** In force, in order. */
  decisions: readonly Decision[];
  nameOf: NameOf;
  /** What is open, in sentences. */
  open: readonly string[];
  /** Of what leaves the house with the original. */
  agreement: Agreement;
}

/** Parts with differences nobody decided are named, so many at most. */
const MOST_NAMED = 30;

export function storyOf(story: Story): string {
  const sections = [whatArrived(story), whatWasDecided(story), whatCameOfIt(story), whatIsOpen(story)];
  return `# ${plain(story.name)}\n\n${sections.join('\n\n')}\n`;
}

/** Names are other people's: they do not become markup. */
const plain = (text: string) => text.replace(/[\\`*_{}[\]<>#|]/g, (sign) => `\\${sign}`).replace(/\s+/g, ' ');

const list = (lines: readonly string[], none: string) =>
  lines.length > 0 ? lines.map((line, i) => `${i + 1}. ${plain(line)}`).join('\n') : none;

function whatArrived({ originals, direction }: Story): string {
  const way = direction === 'to-score' ? say('engine.onItsWayToAScore') : say('engine.onItsWayToASequencer');
  const files = originals.map(({ fileName, size, sha256 }) =>
    say('engine.plainSizeBytesSHA256Sha256', { plain: plain(fileName), size, sha256 }),
  );
  return [`## ${say('engine.whatArrived')}`, '', way, '', ...files].join('\n');
}

function whatWasDecided({ decisions, nameOf }: Story): string {
  const words = decisions.map((one) =>
    one.kind === 'useHouseList'
      ? say('engine.describeTheHouseList', { describe: describe(one, nameOf) })
      : describe(one, nameOf),
  );
  return `## ${say('engine.whatWasDecided')}\n\n${list(words, say('engine.noDecisionsYet'))}`;
}

function whatCameOfIt({ agreement: { words, parts } }: Story): string {
  const rows = parts.slice(0, MOST_NAMED).map(({ names, notes, same, differing, decided, converted }) => {
    const count = (of: Record<string, number>) => Object.values(of).reduce((sum, one) => sum + one, 0);
    const name = plain(names[0] ?? names[1] ?? '');
    const rest = count(differing) - count(decided) - count(converted);
    return `| ${name} | ${notes[0]} | ${same} | ${count(decided)} | ${count(converted)} | ${rest} |`;
  });
  return [
    `## ${say('engine.whatCameOfIt')}`,
    '',
    words,
    '',
    say('engine.partNotesTheSameDifferByDecisionBy'),
    '|---|---|---|---|---|---|',
    ...rows,
    ...(parts.length > MOST_NAMED ? ['', say('engine.andPartsMoreParts', { parts: parts.length - MOST_NAMED })] : []),
  ].join('\n');
}

function whatIsOpen({ open }: Story): string {
  return `## ${say('engine.whatIsOpen')}\n\n${list(open, say('engine.noOpenQueries'))}`;
}
