import { keyName, type MarkClass } from '../score';
import type { PageDecision } from './page-decisions';

export const MARK_NAMES: Record<MarkClass, string> = {
  dynamics: 'Dynamics',
  hairpins: 'Hairpins',
  slurs: 'Slurs',
  staccato: 'Staccato',
  accents: 'Accents',
  pedal: 'Pedal',
  breaths: 'Breaths',
};

const some = (n: number, one: string) => (n === 1 ? `a ${one}` : `${n} ${one}s`);
const inBars = (bars: { from: number; to: number } | undefined) =>
  bars ? ` in ${bars.to - bars.from === 1 ? 'one bar' : `${bars.to - bars.from} bars`}` : '';

/** A decision about the page in plain words. */
export function describePage(decision: PageDecision, nameOf: (part: string) => string): string {
  switch (decision.kind) {
    case 'setKey':
      return `Key signature${decision.bar === undefined ? '' : ` from the ${decision.bar + 1}. bar on`}: ${keyName(decision)}`;
    case 'respellNotes':
      return `${nameOf(decision.part)}: ${some(decision.notes.length, 'note')} respelled towards ${decision.prefer}`;
    case 'preferNames':
      return `${decision.part === null ? 'All parts' : nameOf(decision.part)}: ${decision.prefer} preferred${inBars(decision.bars)}`;
    case 'chooseClef':
      return `${nameOf(decision.part)}: ${decision.clef === null ? 'usual clef' : `${decision.clef.replace('-8vb', ' clef an octave lower')}${decision.clef.includes('8vb') ? '' : ' clef'}`}${decision.staff > 1 ? `, staff ${decision.staff}` : ''}`;
    case 'setOctaveLines':
      return `${nameOf(decision.part)}: ${decision.on ? '8va where ledger lines pile up' : 'no 8va'}`;
    case 'shiftNotes': {
      const octaves =
        Math.abs(decision.semitones) % 12 === 0
          ? some(Math.abs(decision.semitones) / 12, 'octave').replace(/^a o/, 'an o')
          : some(Math.abs(decision.semitones), 'semitone');
      return `${nameOf(decision.part)}: ${some(decision.notes.length, 'note')} ${octaves} ${decision.semitones > 0 ? 'higher' : 'lower'}`;
    }
    case 'useDrumMap':
      return `${nameOf(decision.part)}: ${decision.sounds === null ? 'usual drum map' : `drum map “${decision.name}”`}`;
    case 'setDrumKey':
      return `${nameOf(decision.part)}: key ${decision.key} means key ${decision.as}`;
    case 'setTablature':
      return `${nameOf(decision.part)}: ${decision.show === 'both' ? 'notation and tablature' : decision.show}${decision.capo > 0 ? `, capo ${decision.capo}` : ''}`;
    case 'setMarks':
      return `${nameOf(decision.part)}: ${MARK_NAMES[decision.mark].toLowerCase()} ${{ off: 'off', suggest: 'suggested', on: 'taken' }[decision.use]}${decision.strength === 'usual' ? '' : `, ${decision.strength}`}${inBars(decision.bars)}`;
    case 'setArticulation':
      return `${nameOf(decision.part)}: ${decision.articulation} ${decision.on ? 'on' : 'off'} ${some(decision.notes.length, 'note')}`;
    case 'setSlur':
      return `${nameOf(decision.part)}: a slur ${decision.on ? 'written' : 'taken away'}`;
    case 'copyPattern':
      return `${nameOf(decision.part)}: articulation of a bar copied to all of its rhythm${inBars(decision.bars)}`;
    case 'foldRepeat':
      return decision.times < 2
        ? 'A repeat is written out again'
        : `${decision.length} bars written once with repeat signs${decision.endings > 0 ? ' and endings' : ''}`;
    case 'setBarRepeats':
      return `${nameOf(decision.part)}: equal bars ${decision.on ? 'as repeat signs' : 'written out'}`;
    case 'setTitle':
      return `Title: “${decision.title}”`;
    case 'setComposer':
      return `Composer: “${decision.composer}”`;
    case 'setMarkerStyle':
      return `Markers as ${{ auto: 'rehearsal marks or words, as they look', rehearsal: 'rehearsal marks', text: 'words' }[decision.style]}`;
  }
}
