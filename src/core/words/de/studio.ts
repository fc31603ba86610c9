import type { Words } from '../words-of';

export const studio: Words<'studio'> = {
  aBarOfOurs: 'Einer unserer Takte',
  nOfOurBars: '{n} unserer Takte',
  barsBeginSWhereNoneOfTheirsDoes:
    '{bars} {without, plural, one {beginnt} other {beginnen}}, wo keiner der anderen beginnt.',
  ofOneBarNothingTells: 'Über {untold, plural, one {einen Takt} other {{untold} Takte}} sagt nichts etwas aus.',
  noBarlineOfTheirsFallsOnOneOfOurs: 'Kein Taktstrich der anderen fällt auf einen von unseren.',
  everyBarHasTheSameNumberInBoth: 'Jeder Takt hat in beiden dieselbe Zahl.',
  everyBarThatWasFoundHasTheSame: 'Jeder gefundene Takt hat in beiden dieselbe Zahl.',
  mostBarsHaveTheSameNumberInBothSee: 'Die meisten Takte haben in beiden dieselbe Zahl; siehe die Tabelle.',
  ourBarBarIsTheirBarFromAllRest:
    'Unser Takt {bar} ist dort Takt {from}{runs, plural, =1 {} other {; nicht überall, siehe die Tabelle}}.',
  quartersPerMinute: '{bpm} Viertel je Minute',
  atTheBeginning: 'Takt {bar} ist Takt {inMap} der Map, an ihrem Anfang, Timecode {code} bei {rate}.',
  afterTheBeginning: 'Takt {bar} ist Takt {inMap} der Map, {seconds} s nach ihrem Anfang, Timecode {code} bei {rate}.',
  countInBar: 'Einzähler {bar}',
};
