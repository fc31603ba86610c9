import { say } from '@/core/words';
import type { PartId } from '@/core/base';
import { asOne, type Decision } from '@/core/decisions';
import { ARTICULATIONS, DYNAMICS, HAIRPINS } from '@/core/score';
import { handParts, useWorkspace } from '../workspace/workspace';
import { useClipboard } from './clipboard';
import {
  allHeld,
  another,
  articulated,
  cutInTwo,
  dynamic,
  grace,
  hairpin,
  held,
  idOf,
  join,
  lengthened,
  movedBy,
  onIds,
  otherStaff,
  otherVoice,
  paste,
  pasteMarks,
  pitched,
  shifted,
  slur,
  type HandAction,
} from './changes';

/*
 * The actions by hand, as toolbar, menu and keys have them; all of them go through here, so that each does the same.
 */

/** Words where the first of what is picked begins; none take away what stands there. */
export function sayByHand(words: string): void {
  const said = allHeld().flatMap(({ part, notes: [first] }): Decision[] =>
    first ? [{ kind: 'setWords', part: part.id, note: idOf(first), words }] : [],
  );
  if (said.length > 0) useWorkspace.getState().decide(asOne(said));
}

/** Groups as the menu has them; those without a name stand in the menu itself. */
export const HAND_GROUPS: readonly { name: string | null; actions: readonly HandAction[] }[] = [
  {
    get name() {
      return say('hand.timeAndLength');
    },
    actions: [
      {
        id: 'earlier',
        get label() {
          return say('hand.earlier');
        },
        key: ',',
        decide: movedBy(-1),
      },
      {
        id: 'later',
        get label() {
          return say('hand.later');
        },
        key: '.',
        decide: movedBy(1),
      },
      {
        id: 'shorter',
        get label() {
          return say('hand.shorter');
        },
        key: '[',
        decide: lengthened(-1),
      },
      {
        id: 'longer',
        get label() {
          return say('hand.longer');
        },
        key: ']',
        decide: lengthened(1),
      },
      {
        id: 'join',
        get label() {
          return say('hand.mergeNotes');
        },
        key: 'J',
        decide: join,
      },
      {
        id: 'cut',
        get label() {
          return say('hand.splitNote');
        },
        key: 'K',
        decide: cutInTwo,
      },
    ],
  },
  {
    get name() {
      return say('hand.pitch');
    },
    actions: [
      {
        id: 'up',
        get label() {
          return say('hand.up');
        },
        key: 'Shift+↑',
        decide: shifted(1),
      },
      {
        id: 'down',
        get label() {
          return say('hand.down');
        },
        key: 'Shift+↓',
        decide: shifted(-1),
      },
      {
        id: 'octaveUp',
        get label() {
          return say('hand.octaveUp');
        },
        decide: shifted(12),
      },
      {
        id: 'octaveDown',
        get label() {
          return say('hand.octaveDown');
        },
        decide: shifted(-12),
      },
      {
        id: 'flats',
        get label() {
          return say('hand.respellWithFlats');
        },
        key: 'F',
        decide: pitched(onIds((part, notes) => ({ kind: 'respellNotes', part, notes, prefer: 'flats' }))),
      },
      {
        id: 'sharps',
        get label() {
          return say('hand.respellWithSharps');
        },
        key: 'S',
        decide: pitched(onIds((part, notes) => ({ kind: 'respellNotes', part, notes, prefer: 'sharps' }))),
      },
    ],
  },
  {
    get name() {
      return say('hand.voiceAndStaff');
    },
    actions: [
      {
        id: 'voice',
        get label() {
          return say('hand.moveToOtherVoice');
        },
        key: 'V',
        decide: pitched(otherVoice),
      },
      {
        id: 'staff',
        get label() {
          return say('hand.moveToOtherStaff');
        },
        key: 'T',
        decide: pitched(otherStaff),
      },
      {
        id: 'grace',
        get label() {
          return say('hand.toggleGraceNote');
        },
        key: 'G',
        decide: pitched(grace),
      },
    ],
  },
  {
    get name() {
      return say('hand.markings');
    },
    actions: [
      ...ARTICULATIONS.map((one): HandAction => ({ id: one, label: one, decide: articulated(one) })),
      {
        id: 'slur',
        get label() {
          return say('hand.addSlur');
        },
        decide: slur(true),
      },
      {
        id: 'noSlur',
        get label() {
          return say('hand.removeSlur');
        },
        decide: slur(false),
      },
      {
        id: 'pasteMarks',
        get label() {
          return say('hand.pasteMarkings');
        },
        key: 'Ctrl+Shift+V',
        decide: pasteMarks,
      },
    ],
  },
  {
    get name() {
      return say('hand.dynamics');
    },
    actions: [
      ...DYNAMICS.map((level): HandAction => ({ id: level, label: level, decide: dynamic(level) })),
      {
        id: 'noDynamic',
        get label() {
          return say('hand.removeDynamic');
        },
        decide: dynamic(null),
      },
      ...HAIRPINS.map((shape): HandAction => ({
        id: shape,
        label: say('hand.addHairpinShape', { shape }),
        decide: hairpin(shape),
      })),
      {
        id: 'noHairpin',
        get label() {
          return say('hand.removeHairpin');
        },
        decide: hairpin(null),
      },
    ],
  },
  {
    name: null,
    actions: [
      {
        id: 'another',
        get label() {
          return say('hand.addNoteAfter');
        },
        key: 'E',
        decide: another,
      },
      {
        id: 'paste',
        get label() {
          return say('hand.pasteNotes');
        },
        key: 'Ctrl+V',
        decide: paste,
      },
      {
        id: 'remove',
        get label() {
          return say('hand.delete');
        },
        key: 'Delete',
        decide: onIds((part, notes) => ({ kind: 'removeNotes', part, notes })),
      },
    ],
  },
];

export const HAND_ACTIONS: readonly HandAction[] = HAND_GROUPS.flatMap(({ actions }) => actions);

const byId = new Map(HAND_ACTIONS.map((action) => [action.id, action]));

/** Does it with what is picked, in every part where it can be done; one step, whatever the number of parts. */
export function byHand(id: string): void {
  const action = byId.get(id);
  const decisions = numbered(allHeld().flatMap((of) => action?.decide(of) ?? []));
  if (decisions.length === 0) return;
  const { decide, pick, pickIn } = useWorkspace.getState();
  decide(asOne(decisions));
  if (id === 'remove') pick(null, []);
  const added = decisions.flatMap((made) =>
    made.kind === 'addNotes' ? [{ part: shownAs(made.part), notes: made.notes.map(({ note }) => note) }] : [],
  );
  if (added.length > 0) pickIn(added);
}

/** What the part of a decision is called on the desk. */
export function shownAs(part: PartId): PartId {
  return handParts(useWorkspace.getState()).find(({ id }) => id === part)?.shown ?? part;
}

/** Whether it can be done in any of the parts. */
export const canByHand = ({ decide }: HandAction): boolean => allHeld().some((of) => decide(of) !== null);

/** New notes of several parts have ids of their own. */
function numbered(decisions: readonly Decision[]): Decision[] {
  let before = 0;
  return decisions.map((made) => {
    if (made.kind !== 'addNotes') return made;
    const notes = made.notes.map((one) => ({ ...one, note: one.note + before }));
    before += notes.length;
    return { ...made, notes };
  });
}

export function copyHeld(): void {
  const of = held();
  if (of && of.notes.length > 0) useClipboard.setState({ notes: of.notes });
}
