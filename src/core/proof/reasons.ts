/*
 * Reasons: why a note is written as it is, in words, each with the decisions that would turn it.
 */
import { inNumbers, say } from '../words';
import { drumSound, GENERAL_MIDI_DRUMS } from '../instruments';
import type { NoteId } from '../performance';
import type { PartId } from '../score';
import { barIndexAt, lastNotAfter, QUARTER, type Milliseconds, type WrittenUnits } from '../time';
import { appliedLead, isTuplet, type Conversion, type EndedNote, type StaffNotes } from '../to-score';
import type { Remedy } from '../queries';
import type { Place, Reason } from './reason';
import { whichInstrument, whichName } from './reasons-for-names';

/** A note lets go so much before or after the next one before that is worth a word. */
const TELLING: WrittenUnits = QUARTER / 16;

/** @returns what was decided about a played note, in the order of the stages; empty when it is not on the page */
export function reasonsFor(conversion: Conversion, part: PartId, played: NoteId): Reason[] {
  const p = conversion.casting.parts.findIndex(({ id }) => id === part);
  for (const staff of conversion.staves[p] ?? []) {
    const note = staff.notes.find(({ id, absorbed }) => id === played || absorbed.includes(played));
    if (!note) continue;
    const place: Place = {
      conversion,
      part,
      p,
      staff,
      note,
      bar: barIndexAt(
        conversion.score.bars.map(({ start }) => start),
        note.start,
      ),
    };
    return [
      whereItStands(place),
      tuplet(place),
      ornament(place),
      struckTwice(place),
      swing(place),
      length(place),
      doubled(place),
      drumPlace(place),
      whichName(place),
      whichInstrument(place),
      whichStaff(place),
    ].flatMap((reason) => reason ?? []);
  }
  return [];
}

const milliseconds = (units: number, { conversion: { line }, note }: Place): Milliseconds =>
  Math.round(units * line.secondsPerUnit[lastNotAfter(line.starts, note.start)]! * 1000);

function whereItStands(place: Place): Reason {
  const { note, conversion, part, p } = place;
  if (note.byHand) return { words: say('proof.setByHand'), remedies: [] };
  const source = conversion.casting.parts[p]!.sources.find(({ notes }) => notes.some(({ id }) => id === note.id));
  const lead = source && conversion.reports[p]!.leads[source.track];
  const out: Milliseconds = Math.round(appliedLead(lead) * 1000);
  const taken = { outOver0: out > 0, out: Math.abs(out) };
  if (note.meant !== undefined && note.start === note.meant)
    return { words: say('proof.theFileHasItExactlyHere'), remedies: [] };
  const away = milliseconds(note.onset - note.start, place);
  const back: Remedy[] =
    note.meant === undefined
      ? []
      : [
          {
            label: say('proof.moveBackToTheFilesPosition'),
            decision: { kind: 'moveNotes', part, moves: [{ note: note.id, by: note.meant - note.start }] },
          },
        ];
  return {
    words:
      away === 0
        ? say('proof.playedHereTaken', taken)
        : say('proof.playedAwayMsAfterThisPlaceTaken', {
            away: Math.abs(away),
            awayOver0: away > 0,
            ...taken,
            by: runnerUp(place),
          }),
    remedies: back,
  };
}

/** How far the other place of the beat's grid was that was nearest. */
function runnerUp(place: Place): Milliseconds {
  const { note, conversion, p } = place;
  const { line, reports } = conversion;
  const b = lastNotAfter(line.starts, note.start);
  const step = line.beats[b]!.length / (reports[p]!.divisions[b] ?? 1);
  const other = note.onset >= note.start ? note.start + step : note.start - step;
  return Math.abs(milliseconds(note.onset - other, place));
}

/** The beat is divided as a tuplet. */
function tuplet({ conversion: { reports, line }, p, part, note, bar }: Place): Reason | null {
  const b = lastNotAfter(line.starts, note.start);
  const division = reports[p]!.divisions[b] ?? 1;
  if (!isTuplet(division, line.beats[b]!.compound)) return null;
  const plain = { kind: 'setGrid', part, smallest: '16th', triplets: false } as const;
  return {
    words: say('proof.thisBeatIsDividedInInWords', { parts: division }),
    remedies: [
      { label: say('proof.writePlainValuesInThisBar'), decision: { ...plain, bars: { from: bar, to: bar + 1 } } },
      { label: say('proof.allowNoTripletsInThePart'), decision: plain },
    ],
  };
}

function ornament({ note, part }: Place): Reason | null {
  if (!note.ornament) return null;
  const { trill, tremolo, arpeggio, graces } = note.ornament;
  const behind = (note.behind?.length ?? 0) + 1;
  const inWords = () => {
    if (trill) return say('proof.behindFastUnevenNotesAreWrittenAsA', { behind });
    if (tremolo) return say('proof.behindFastStrokesAreWrittenAsA', { behind });
    if (arpeggio) return say('proof.theChordWasSpreadItHasAWavyLine');
    if (!graces) return null;
    return say('proof.aShortNoteBeforeItIsAGraceNote', { graces: graces.length });
  };
  const words = inWords();
  return words === null
    ? null
    : {
        words,
        remedies: [
          { label: say('proof.writeEveryNoteOfThisPart'), decision: { kind: 'setOrnaments', part, on: false } },
        ],
      };
}

function struckTwice({ note }: Place): Reason | null {
  const twice = note.absorbed.filter(
    (id) => !note.behind?.includes(id) && !note.ornament?.graces?.some((grace) => grace.id === id),
  );
  return twice.length === 0
    ? null
    : {
        words: say('proof.struckTwiceOnOnePlaceWrittenOnce', { twice: twice.length, twice2: twice.length + 1 }),
        remedies: [],
      };
}

function swing({ conversion: { swing: found, line }, note, bar }: Place): Reason | null {
  const stretch = found.stretches.find(({ from, to }) => bar >= from && bar < to);
  const offBeat = (note.start - line.starts[lastNotAfter(line.starts, note.start)]!) % QUARTER !== 0;
  if (!stretch || !offBeat) return null;
  return {
    words: say('proof.playedLongAndShortRatioTo1Written', { ratio: inNumbers(stretch.ratio, 1) }),
    remedies: [{ label: say('proof.writeTheWholePieceAsPlayed'), decision: { kind: 'setSwing', ratio: 1 } }],
  };
}

function length(place: Place): Reason | null {
  const { note, staff, part, bar, conversion, p } = place;
  if (conversion.casting.parts[p]!.instrument.unpitched) return null;
  const sounding = Math.round((note.releaseSeconds - note.onsetSeconds) * 1000);
  const written = milliseconds(note.end - note.start, place);
  if (note.short) {
    return {
      words: say('proof.soundsSoundingMsWrittenAsWrittenMs', { sounding, written }),
      remedies: [
        {
          label: say('proof.asPlayedInThisBar'),
          decision: { kind: 'setLengths', part, as: 'played', bars: { from: bar, to: bar + 1 } },
        },
        { label: say('proof.asPlayedInThePart'), decision: { kind: 'setLengths', part, as: 'played' } },
      ],
    };
  }
  if (note.meantEnd === note.end) return { words: say('proof.itsValueIsTheFiles'), remedies: [] };
  const next = nextOnset(staff, note);
  if (note.end === next && note.release < next - TELLING)
    return {
      words: say('proof.letGoMillisecondsMsBeforeTheNext', { milliseconds: milliseconds(next - note.release, place) }),
      remedies: [],
    };
  if (note.release > note.end + TELLING)
    return {
      words: say('proof.heldMillisecondsMsBeyondItsValue', {
        milliseconds: milliseconds(note.release - note.end, place),
      }),
      remedies: [],
    };
  return { words: say('proof.soundsSoundingOfWrittenMs', { sounding, written }), remedies: [] };
}

/** Where the note's voice goes on. */
function nextOnset({ notes, voices }: StaffNotes, note: EndedNote): WrittenUnits {
  const voice = voices[notes.indexOf(note)];
  return notes.reduce(
    (next, other, n) => (voices[n] === voice && other.start > note.start ? Math.min(next, other.start) : next),
    Infinity,
  );
}

function doubled({ conversion: { doublings, casting }, part, bar }: Place): Reason | null {
  const model = doublings.find((one) => one.part === part && one.followed.includes(bar));
  if (!model) return null;
  const name = casting.parts.find(({ id }) => id === model.as)!.name;
  return {
    words: say('proof.writtenAsInNameWhichPlaysTheSame', { name }),
    remedies: [{ label: say('proof.writeAsItIsPlayedItself'), decision: { kind: 'writeAs', part, as: part } }],
  };
}

function drumPlace({ conversion: { drums, casting }, p, note }: Place): Reason | null {
  if (!casting.parts[p]!.instrument.unpitched) return null;
  const sound = drumSound(drums[p]!.map, note.key);
  const usual = GENERAL_MIDI_DRUMS.get(note.key);
  const moved =
    drums[p]!.spread &&
    usual &&
    drums[p]!.staffLines > 1 &&
    (usual.step !== sound.step || usual.octave !== sound.octave);
  return {
    words: moved ? say('proof.soundOnAPlaceOfItsOwnItsUsualOneIs', { sound: sound.name }) : `${sound.name}.`,
    remedies: [],
  };
}

function whichStaff({ conversion: { casting }, p, part, staff }: Place): Reason | null {
  const { instrument, sources } = casting.parts[p]!;
  if (instrument.clefs.length < 2) return null;
  if (sources.some((source) => source.staff !== null))
    return {
      words: say('proof.onTheUpperStaffRecordedOnATrackOf', { staff: staff.staff }),
      remedies: [],
    };
  return {
    words: say('proof.onTheUpperStaffTheRightHandGoesOn', { staff: staff.staff }),
    remedies: instrument.oneOrTwoStaves
      ? [{ label: say('proof.oneStaffForThePart'), decision: { kind: 'setStaves', part, staves: 1 } }]
      : [],
  };
}
