import { say } from '@/core/words';
import type { MenuProps } from 'antd';
import { barsOnDesk, handParts, useWorkspace, type NoteInView } from '../workspace/workspace';
import { barIndexAt } from '@/core/time';
import { byHand, canByHand, copyHeld, HAND_GROUPS, shownAs } from './actions';
import { give, type HandAction, type Held } from './changes';
import { addAt, type EmptyPlace } from './pointing';
import styles from './hand.module.css';

type Items = NonNullable<MenuProps['items']>;

/** All that can be done with picked notes. */
export function handMenu(of: Held): Items {
  const groups = HAND_GROUPS.map(({ name, actions }) => ({ name, items: actions.map(itemOf) }));
  return [
    { key: 'pick', label: say('hand.select'), children: pickItems(of) },
    ...groups.flatMap(({ name, items }) => (name === null ? [] : [{ key: name, label: name, children: items }])),
    { key: 'give', label: say('hand.moveToPart'), children: giveItems(of) },
    { type: 'divider', key: 'gap' },
    { key: 'copy', label: label(say('hand.copy'), 'Ctrl+C'), onClick: copyHeld },
    ...groups.flatMap(({ name, items }) => (name === null ? items : [])),
  ];
}

function itemOf(action: HandAction): Items[number] {
  const { id, label: words, key } = action;
  return { key: id, label: label(words, key), disabled: !canByHand(action), onClick: () => byHand(id) };
}

function label(words: string, key?: string) {
  return (
    <>
      {words}
      {key && <span className={styles.menuKey}>{key}</span>}
    </>
  );
}

function giveItems(of: Held): Items {
  const { decide, pick } = useWorkspace.getState();
  return handParts(useWorkspace.getState())
    .filter(({ id }) => id !== of.part.id)
    .map(({ id, name }) => ({
      key: id,
      label: name,
      onClick: () => {
        const decision = give(of, id);
        if (!decision) return;
        decide(decision);
        pick(null, []);
      },
    }));
}

/** More of the same: the bar, the voice. */
function pickItems(of: Held): Items {
  const [first] = of.notes;
  if (!first) return [];
  const { written, pick } = useWorkspace.getState();
  const starts = barsOnDesk(useWorkspace.getState()).map(({ start }) => start);
  const own = [...new Set(written.values())].filter((note) => note.part === of.part.shown);
  const pickAll = (keep: (note: NoteInView) => boolean) => () =>
    pick(
      of.part.shown,
      own.filter(keep).flatMap(({ played }) => played),
    );
  const bar = barIndexAt(starts, first.start);
  return [
    {
      key: 'pick bar',
      label: say('hand.bar'),
      onClick: pickAll((note) => barIndexAt(starts, note.start) === bar),
    },
    {
      key: 'pick voice',
      label: say('hand.voiceWithinTheBarsInView'),
      onClick: pickAll((note) => note.voice === first.voice),
    },
  ];
}

/** What can be done where nothing stands. */
export function emptyMenu(place: EmptyPlace): Items {
  const { decide, pick } = useWorkspace.getState();
  return [
    {
      key: 'add',
      label: say('hand.insertANoteHerePlace', { place: place.name }),
      onClick: () => {
        const decision = addAt(place);
        if (decision?.kind !== 'addNotes') return;
        decide(decision);
        pick(
          shownAs(decision.part),
          decision.notes.map(({ note }) => note),
        );
      },
    },
  ];
}
