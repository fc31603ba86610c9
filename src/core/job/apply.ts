import type { LengthChoice, NoteEdit } from '../to-score';
import type { JobSettings } from './job-settings';
import { applyPage } from './apply-page';
import { applySequencer } from './apply-sequencer';
import type { Decision, SetLengths } from './decisions';
import { appended, each, without } from './records';

/** The settings after one more decision. */
export function apply(settings: JobSettings, decision: Decision): JobSettings {
  switch (decision.kind) {
    case 'leaveOut':
      return { ...settings, leftOut: { ...settings.leftOut, ...each(decision.tracks, true) } };
    case 'takeIn':
      return { ...settings, leftOut: { ...settings.leftOut, ...each(decision.tracks, false) } };
    case 'assignInstrument':
      return { ...settings, instruments: { ...settings.instruments, ...each(decision.tracks, decision.instrument) } };
    case 'setTechnique':
      return { ...settings, techniques: { ...settings.techniques, ...each(decision.tracks, decision.technique) } };
    case 'gather': {
      const [first, ...others] = decision.tracks;
      return { ...settings, gathered: { ...without(settings.gathered, first!), ...each(others, first!) } };
    }
    case 'standAlone':
      return { ...settings, gathered: { ...settings.gathered, ...each(decision.tracks, null) } };
    case 'dealOut':
      return { ...settings, deals: { ...settings.deals, [decision.track]: decision.deal } };
    case 'setKeyswitches':
      return {
        ...settings,
        keyswitches: {
          ...settings.keyswitches,
          [decision.track]: Object.fromEntries(decision.meanings.map(({ key, technique }) => [key, technique])),
        },
      };
    case 'renamePart':
      return { ...settings, partNames: { ...settings.partNames, [decision.part]: decision.name } };
    case 'abbreviatePart':
      return { ...settings, abbreviations: { ...settings.abbreviations, [decision.part]: decision.abbreviation } };
    case 'setStaves':
      return {
        ...settings,
        staves:
          decision.staves === null
            ? without(settings.staves, decision.part)
            : { ...settings.staves, [decision.part]: decision.staves },
      };
    case 'setSolo':
      return { ...settings, solos: { ...settings.solos, [decision.part]: decision.solo } };
    case 'movePart':
      return { ...settings, moves: [...settings.moves, { part: decision.part, before: decision.before }] };
    case 'setLanguage':
      return { ...settings, language: decision.language };
    case 'useHouseList':
      return {
        ...settings,
        house: {
          ...settings.house,
          ...Object.fromEntries(decision.answers.map(({ track, ...answer }) => [track, answer])),
        },
      };
    case 'setGrid': {
      const { smallest, triplets, also = [], bars } = decision;
      // A grid for the whole part takes the place of all before it.
      const before = bars ? (settings.grids[decision.part] ?? []) : [];
      return {
        ...settings,
        grids: { ...settings.grids, [decision.part]: [...before, { smallest, triplets, also, ...(bars && { bars }) }] },
      };
    }
    case 'freeGrid':
      return { ...settings, grids: without(settings.grids, decision.part) };
    case 'setLead':
      return { ...settings, leads: { ...settings.leads, [decision.track]: decision.milliseconds } };
    case 'setSwing': {
      const { swing: _swing, ...rest } = settings;
      return decision.ratio === null
        ? rest
        : { ...rest, swing: { ratio: decision.ratio, unit: decision.unit ?? 'eighth' } };
    }
    case 'setOrnaments':
      return {
        ...settings,
        plain: decision.on ? without(settings.plain, decision.part) : { ...settings.plain, [decision.part]: true },
      };
    case 'setGaps':
      return {
        ...settings,
        closeGaps:
          decision.upTo === null
            ? without(settings.closeGaps, decision.part)
            : { ...settings.closeGaps, [decision.part]: decision.upTo },
      };
    case 'setLengths':
      return {
        ...settings,
        lengths: { ...settings.lengths, [decision.part]: decided(settings.lengths[decision.part], decision) },
      };
    case 'writeAs':
      return {
        ...settings,
        doubles:
          decision.as === null
            ? without(settings.doubles, decision.part)
            : { ...settings.doubles, [decision.part]: decision.as },
      };
    case 'setVoices':
      return { ...settings, voices: { ...settings.voices, [decision.part]: decision.most } };
    case 'setHandSplit':
      return {
        ...settings,
        handSplits:
          decision.key === null
            ? without(settings.handSplits, decision.part)
            : { ...settings.handSplits, [decision.part]: decision.key },
      };
    case 'setClefs':
      return {
        ...settings,
        fixedClefs: decision.changes
          ? without(settings.fixedClefs, decision.part)
          : { ...settings.fixedClefs, [decision.part]: true },
      };
    case 'moveNotes':
      return edited(
        settings,
        decision.part,
        decision.moves.map(({ note, by }): NoteEdit => ({ kind: 'move', note, by })),
      );
    case 'joinNotes':
      return edited(
        settings,
        decision.part,
        decision.notes.slice(1).map((other): NoteEdit => ({ kind: 'join', note: decision.notes[0]!, with: other })),
      );
    case 'cutNote':
      return edited(settings, decision.part, [{ kind: 'cut', note: decision.note, at: decision.at }]);
    case 'setTextEncoding': {
      const { encoding: _encoding, ...rest } = settings;
      return decision.encoding === null ? rest : { ...rest, encoding: decision.encoding };
    }
    case 'splitTrack':
      return decision.by === 'sounds'
        ? { ...settings, soundSplits: { ...settings.soundSplits, [decision.track]: true } }
        : { ...settings, splits: { ...settings.splits, [decision.track]: true } };
    case 'placeOriginal':
      return { ...settings, offsets: { ...settings.offsets, [decision.original]: decision.bars } };
    case 'dismissQuery':
      return settings;
    case 'setSequencing':
    case 'setPartSequencing':
    case 'setCarry':
    case 'leaveTracks':
      return applySequencer(settings, decision);
    default:
      return applyPage(settings, decision);
  }
}

/** A choice for the whole part takes the place of all before it. */
function decided(before: readonly LengthChoice[] = [], { as, bars }: SetLengths): readonly LengthChoice[] {
  return bars ? [...before, { as, bars }] : [{ as }];
}

function edited(settings: JobSettings, part: string, edits: readonly NoteEdit[]): JobSettings {
  return { ...settings, edits: appended(settings.edits, part, edits) };
}
