export const studio = {
  aBarOfOurs: 'One of our bars',
  nOfOurBars: '{n} of our bars',
  barsBeginSWhereNoneOfTheirsDoes: '{bars} begin{without, plural, one {s} other {}} where none of theirs does.',
  ofOneBarNothingTells: 'Of {untold, plural, one {one bar} other {{untold} bars}} nothing tells.',
  noBarlineOfTheirsFallsOnOneOfOurs: 'No barline of theirs falls on one of ours.',
  everyBarHasTheSameNumberInBoth: 'Every bar has the same number in both.',
  everyBarThatWasFoundHasTheSame: 'Every bar that was found has the same number in both.',
  mostBarsHaveTheSameNumberInBothSee: 'Most bars have the same number in both; see the table.',
  ourBarBarIsTheirBarFromAllRest:
    'Our bar {bar} is their bar {from}{runs, plural, =1 {} other {; not everywhere, see the table}}.',
  quartersPerMinute: '{bpm} quarters per minute',
  atTheBeginning: 'Bar {bar} is bar {inMap} of the map, at its beginning, time code {code} at {rate}.',
  afterTheBeginning: 'Bar {bar} is bar {inMap} of the map, {seconds} s after it begins, time code {code} at {rate}.',
  countInBar: 'count-in {bar}',
} as const;
