export const time = {
  beatWhole: 'beat {whole}',
  afterBeatWhole: 'after beat {whole}',
  justBeforeBeatWhole: 'just before beat {whole}',
  barBarBeatInWords: 'bar {bar}, {beatInWords}',
  kindsAndKinds2ChangingChangesTimes: '{kinds} and {kinds2}, changing {changes} times',
  nameFromBarBar: '{name} from bar {bar}',
  metersInTurn: '{meters} in turn',
} as const;
