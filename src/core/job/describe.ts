import type { Deal } from '../casting';
import { instrumentById, techniqueName, type Language } from '../instruments';
import { keyInWords } from '../score';
import type { TextEncoding } from '../smf';
import type { SmallestValue } from '../to-score';
import type { BarRange, Decision } from './decisions';
import { describePage } from './describe-page';
import { describeSequencer } from './describe-sequencer';

export const LANGUAGE_NAMES: Record<Language, string> = {
  en: 'English',
  de: 'German',
  it: 'Italian',
  fr: 'French',
  es: 'Spanish',
};

const VALUE_NAMES: Record<SmallestValue, string> = {
  quarter: 'quarter notes',
  eighth: 'eighth notes',
  '16th': 'sixteenth notes',
  '32nd': 'thirty-second notes',
};

export function valueName(value: SmallestValue): string {
  return VALUE_NAMES[value];
}

const ENCODING_NAMES: Record<TextEncoding, string> = {
  'utf-8': 'Unicode (UTF-8)',
  'windows-1252': 'Western European',
  shift_jis: 'Japanese (Shift-JIS)',
  'windows-1250': 'Central European',
  'windows-1251': 'Cyrillic',
  'euc-kr': 'Korean',
  gb18030: 'Chinese (simplified)',
};

export function encodingName(encoding: TextEncoding): string {
  return ENCODING_NAMES[encoding];
}

/** A ledger line in plain words. @param nameOf how people know a track or part */
export function describe(decision: Decision, nameOf: (track: string) => string): string {
  const names = (tracks: readonly string[]) => tracks.map(nameOf).join(', ');
  switch (decision.kind) {
    case 'leaveOut':
      return `${names(decision.tracks)}: left out`;
    case 'takeIn':
      return `${names(decision.tracks)}: taken in`;
    case 'assignInstrument':
      return `${names(decision.tracks)}: written for ${instrumentById(decision.instrument).names.en}`;
    case 'setTechnique':
      return `${names(decision.tracks)}: ${decision.technique === 'none' ? 'ordinary playing' : techniqueName(decision.technique)}`;
    case 'gather':
      return `${names(decision.tracks)}: gathered into one part`;
    case 'standAlone':
      return `${names(decision.tracks)}: ${decision.tracks.length === 1 ? 'a part of its own' : 'parts of their own'}`;
    case 'dealOut':
      return `${nameOf(decision.track)}: ${dealInWords(decision.deal)}`;
    case 'setKeyswitches':
      return decision.meanings.length === 0
        ? `${nameOf(decision.track)}: no keyswitches, all notes are music`
        : `${nameOf(decision.track)}: keyswitches ${decision.meanings.map(({ key, technique }) => `${keyInWords(key)}${technique === 'none' ? '' : ` = ${techniqueName(technique)}`}`).join(', ')} taken out`;
    case 'abbreviatePart':
      return `${nameOf(decision.part)}: shortened to “${decision.abbreviation}”`;
    case 'setStaves':
      return `${nameOf(decision.part)}: ${decision.staves === null ? 'as many staves as it needs' : decision.staves === 1 ? 'one staff' : 'two staves'}`;
    case 'setSolo':
      return `${nameOf(decision.part)}: ${decision.solo ? 'solo' : 'section'}`;
    case 'movePart':
      return `${nameOf(decision.part)}: moved ${decision.before === null ? 'to the foot of the page' : `above ${nameOf(decision.before)}`}`;
    case 'setLanguage':
      return `Instrument names in ${LANGUAGE_NAMES[decision.language]}`;
    case 'useHouseList':
      return `From your house list: ${names(decision.answers.map(({ track }) => track))}`;
    case 'renamePart':
      return `${nameOf(decision.part)}: named “${decision.name}”`;
    case 'setGrid': {
      const also = decision.also && decision.also.length > 0 ? ` and ${decision.also.join('-, ')}-tuplets` : '';
      return `${nameOf(decision.part)}: grid pinned to ${valueName(decision.smallest)}${barsInWords(decision.bars)}, ${decision.triplets ? 'with' : 'without'} triplets${also}`;
    }
    case 'freeGrid':
      return `${nameOf(decision.part)}: grid found by the engine again`;
    case 'setLead':
      return decision.milliseconds === 0
        ? `${nameOf(decision.track)}: no lead taken out`
        : `${nameOf(decision.track)}: lead of ${decision.milliseconds} ms taken out`;
    case 'setSwing':
      return decision.ratio === null
        ? 'Swing found by the engine again'
        : decision.ratio === 1
          ? 'No swing: off-beats as played'
          : `Swing of ${decision.ratio.toFixed(1)} to 1 written evenly${decision.unit === '16th' ? ' (sixteenths)' : ''}`;
    case 'setOrnaments':
      return `${nameOf(decision.part)}: ${decision.on ? 'trills, tremolos and grace notes found' : 'no trills, tremolos or grace notes'}`;
    case 'setLengths':
      return `${nameOf(decision.part)}: short notes ${decision.as === 'read' ? 'written as they read best' : 'as long as they were played'}${barsInWords(decision.bars)}`;
    case 'writeAs':
      return `${nameOf(decision.part)}: ${decision.as === null ? 'doubled passages judged by the engine again' : decision.as === decision.part ? 'doubled passages written as played' : `doubled passages written as in ${nameOf(decision.as)}`}`;
    case 'setGaps':
      return `${nameOf(decision.part)}: ${decision.upTo === null ? 'gaps judged by the engine again' : `gaps up to a ${valueName(decision.upTo).replace(/ notes$/, '')} closed`}`;
    case 'setVoices':
      return `${nameOf(decision.part)}: at most ${decision.most} ${decision.most === 1 ? 'voice' : 'voices'} a staff`;
    case 'setHandSplit':
      return `${nameOf(decision.part)}: ${decision.key === null ? 'hands move freely' : `staves split at ${keyInWords(decision.key)}`}`;
    case 'setClefs':
      return `${nameOf(decision.part)}: ${decision.changes ? 'clef changes where they pay' : 'one clef throughout'}`;
    case 'moveNotes':
      return `${nameOf(decision.part)}: ${decision.moves.length === 1 ? 'a note' : `${decision.moves.length} notes`} moved`;
    case 'joinNotes':
      return `${nameOf(decision.part)}: ${decision.notes.length} notes joined`;
    case 'cutNote':
      return `${nameOf(decision.part)}: a note struck again`;
    case 'setTextEncoding':
      return decision.encoding === null
        ? 'Texts of the file: encoding guessed'
        : `Texts of the file read as ${encodingName(decision.encoding)}`;
    case 'splitTrack':
      return `${nameOf(decision.track)}: split by ${decision.by === 'sounds' ? 'what is struck' : 'channel'}`;
    case 'placeOriginal':
      return decision.bars === 0
        ? `Original ${decision.original} begins at bar 1`
        : `Original ${decision.original} begins ${decision.bars} bars later`;
    case 'dismissQuery':
      return decision.reason ? `Query set aside: ${decision.reason}` : 'Query set aside';
    case 'setSequencing':
    case 'setPartSequencing':
    case 'setCarry':
    case 'leaveTracks':
      return describeSequencer(decision, nameOf);
    default:
      return describePage(decision, nameOf);
  }
}

function barsInWords(bars: BarRange | undefined): string {
  return bars ? ` in ${bars.to - bars.from === 1 ? 'one bar' : `${bars.to - bars.from} bars`}` : '';
}

function dealInWords({ to, players, spare, lines, order }: Deal): string {
  if (players === 1) return 'kept on one part';
  if (to === 'string-choir') return 'dealt out to a string choir';
  return [
    'dealt out to ' + players + ' players',
    spare === 'rest' && 'who rest when there are fewer notes',
    lines === 'top-down' && 'always from the top',
    order === 'paired' && 'in pairs',
  ]
    .filter(Boolean)
    .join(', ');
}
