import type { Words } from '../words-of';

export const time: Words<'time'> = {
  beatWhole: 'Zählzeit {whole}',
  afterBeatWhole: 'nach Zählzeit {whole}',
  justBeforeBeatWhole: 'unmittelbar vor Zählzeit {whole}',
  barBarBeatInWords: 'Takt {bar}, {beatInWords}',
  kindsAndKinds2ChangingChangesTimes: '{kinds} und {kinds2}, {changes}-mal wechselnd',
  nameFromBarBar: '{name} ab Takt {bar}',
  metersInTurn: '{meters} im Wechsel',
};
