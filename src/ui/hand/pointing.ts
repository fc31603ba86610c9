import type { PartId } from '@/core/base';
import type { Decision } from '@/core/decisions';
import type { Passage } from '@/core/proof';
import { diatonicNumber, pitchName, type Pitch } from '@/core/score';
import { QUARTER, type MidiKey, type WrittenUnits } from '@/core/time';
import { timeAt, type Geometry, type StaffOfPart } from '../engraved/geometry';
import { handParts, useWorkspace, type NoteInView } from '../workspace/workspace';
import { addOf, USUAL_VELOCITY } from './changes';
import { placeHeight, signatureAt } from './drag';
import { middleOf, pitchOn, soundingKey } from './pitches';

/* What the pointer points at: a note, or an empty place of a staff. */

/** An empty place on a staff. */
export interface EmptyPlace {
  /** As decisions call it. */
  part: PartId;
  at: WrittenUnits;
  /** A step of the part: what a new note lasts. */
  length: WrittenUnits;
  key: MidiKey;
  /** The pitch as printed. */
  name: string;
}

/** @param x y in CSS pixels of the drawing @returns null beside all staves and bars */
export function emptyPlaceAt(
  root: HTMLElement,
  geometry: Geometry,
  passage: Passage,
  x: number,
  y: number,
): EmptyPlace | null {
  const staff = nearestStaff(geometry, y);
  const part = handParts(useWorkspace.getState()).find(({ shown }) => shown === staff?.part);
  const [first, last] = [geometry.bars[0], geometry.bars.at(-1)];
  if (!staff || !part || part.unpitched || !first || !last || x < first.left || x > last.right) return null;
  const length = Math.max(part.smallest, QUARTER / 4);
  const at = Math.max(first.start, Math.round(timeAt(geometry, x) / length) * length);
  const middle = (staff.lines.top + staff.lines.bottom) / 2;
  const place =
    middlePlace(root, passage, staff, middle, geometry, part.clefs) + Math.round((middle - y) / placeHeight(geometry));
  const pitch = pitchOn(place, signatureAt(part, { start: at }));
  return { part: part.id, at, length, key: keyOf(pitch, staff.part, part.instrument), name: pitchName(pitch) };
}

function nearestStaff({ staves }: Geometry, y: number): StaffOfPart | undefined {
  const away = ({ lines }: StaffOfPart) => Math.max(lines.top - y, y - lines.bottom, 0);
  return [...staves].sort((a, b) => away(a) - away(b))[0];
}

const inPart = (part: PartId): NoteInView[] =>
  [...new Set(useWorkspace.getState().written.values())].filter((note) => note.part === part);

/** What the part's notes sound above what is printed. */
function keyOf(pitch: Pitch, part: PartId, instrument: string): MidiKey {
  const [known] = inPart(part);
  const plain = soundingKey(pitch, instrument);
  return known ? plain + known.key - soundingKey(known.pitch, instrument) : plain;
}

/** The pitch in the middle of a staff: told by a note that stands on it, else by its first clef. */
function middlePlace(
  root: HTMLElement,
  passage: Passage,
  { part, staff }: StaffOfPart,
  middle: number,
  geometry: Geometry,
  clefs: readonly string[],
): number {
  const { written } = useWorkspace.getState();
  const top = root.getBoundingClientRect().top;
  for (const [id, { played }] of Object.entries(passage.links)) {
    const note = played.map((one) => written.get(one)).find((one) => one?.part === part && one.staff === staff);
    const head = note && root.querySelector(`#${id} g.notehead`)?.getBoundingClientRect();
    if (!head) continue;
    const y = head.top + head.height / 2 - top;
    return diatonicNumber(note.pitch) - Math.round((middle - y) / placeHeight(geometry));
  }
  return middleOf(clefs[staff - 1]);
}

export function addAt({ part, at, length, key }: EmptyPlace): Decision | null {
  return addOf(part, [{ start: at, end: at + length, key, velocity: USUAL_VELOCITY }]);
}
