import type { MarkEdit, NoteEdit } from '../to-score';
import type { JobSettings } from './job-settings';
import type { PageDecision } from './page-decisions';
import { appended, without } from './records';

/** The settings after one more decision about the page. */
export function applyPage(settings: JobSettings, decision: PageDecision): JobSettings {
  switch (decision.kind) {
    case 'setKey': {
      const { fifths, mode, bar } = decision;
      if (bar === undefined) return { ...settings, key: { fifths, mode }, keyChanges: [] };
      return {
        ...settings,
        keyChanges: [...settings.keyChanges.filter((change) => change.bar !== bar), { bar, fifths, mode }],
      };
    }
    case 'respellNotes':
      return {
        ...settings,
        spellings: [
          ...settings.spellings,
          { kind: 'notes', part: decision.part, notes: decision.notes, prefer: decision.prefer },
        ],
      };
    case 'preferNames':
      return {
        ...settings,
        spellings: [
          ...settings.spellings,
          { kind: 'bars', part: decision.part, bars: decision.bars, prefer: decision.prefer },
        ],
      };
    case 'chooseClef': {
      const own = Object.fromEntries(
        Object.entries(settings.clefs[decision.part] ?? {}).filter(([staff]) => Number(staff) !== decision.staff),
      );
      return {
        ...settings,
        clefs: {
          ...settings.clefs,
          [decision.part]: decision.clef === null ? own : { ...own, [decision.staff]: decision.clef },
        },
      };
    }
    case 'setOctaveLines':
      return {
        ...settings,
        plainOctaves: decision.on
          ? without(settings.plainOctaves, decision.part)
          : { ...settings.plainOctaves, [decision.part]: true },
      };
    case 'shiftNotes':
      return {
        ...settings,
        edits: appended(
          settings.edits,
          decision.part,
          decision.notes.map((note): NoteEdit => ({ kind: 'shift', note, by: decision.semitones })),
        ),
      };
    case 'useDrumMap':
      return {
        ...settings,
        drumMaps:
          decision.sounds === null
            ? without(settings.drumMaps, decision.part)
            : { ...settings.drumMaps, [decision.part]: { name: decision.name, sounds: decision.sounds } },
      };
    case 'setDrumKey':
      return {
        ...settings,
        drumKeys: {
          ...settings.drumKeys,
          [decision.part]: { ...settings.drumKeys[decision.part], [decision.key]: decision.as },
        },
      };
    case 'setTablature': {
      const { show, tuning, capo } = decision;
      return { ...settings, tablatures: { ...settings.tablatures, [decision.part]: { show, tuning, capo } } };
    }
    case 'setMarks': {
      const { mark, use, strength, bars } = decision;
      // A rule for the whole part takes the place of all before it.
      const before = (settings.marks[decision.part] ?? []).filter((rule) => bars !== undefined || rule.mark !== mark);
      return {
        ...settings,
        marks: { ...settings.marks, [decision.part]: [...before, { mark, use, strength, ...(bars && { bars }) }] },
      };
    }
    case 'setArticulation':
      return {
        ...settings,
        markEdits: appended<MarkEdit>(
          settings.markEdits,
          decision.part,
          decision.notes.map((note): MarkEdit => ({
            kind: 'articulation',
            note,
            articulation: decision.articulation,
            on: decision.on,
          })),
        ),
      };
    case 'setSlur':
      return {
        ...settings,
        markEdits: appended<MarkEdit>(settings.markEdits, decision.part, [
          { kind: 'slur', from: decision.from, to: decision.to, on: decision.on },
        ]),
      };
    case 'copyPattern':
      return {
        ...settings,
        markEdits: appended<MarkEdit>(settings.markEdits, decision.part, [
          { kind: 'pattern', bar: decision.bar, to: decision.bars },
        ]),
      };
    case 'foldRepeat': {
      const { from, length, times, endings } = decision;
      const others = settings.folds.filter(
        (fold) => from >= fold.from + fold.length * fold.times || fold.from >= from + length * Math.max(2, times),
      );
      return { ...settings, folds: times < 2 ? others : [...others, { from, length, times, endings }] };
    }
    case 'setBarRepeats':
      return {
        ...settings,
        barRepeats: decision.on
          ? { ...settings.barRepeats, [decision.part]: true }
          : without(settings.barRepeats, decision.part),
      };
    case 'setTitle':
      return { ...settings, title: decision.title };
    case 'setComposer':
      return { ...settings, composer: decision.composer };
    case 'setMarkerStyle':
      return { ...settings, markerStyle: decision.style };
  }
}
