export const studio = {
  aBarOfOurs: 'One of our bars',
  nOfOurBars: '{n} of our bars',
  barsBeginSWhereNoneOfTheirsDoes: ' {bars} begin{without, plural, one {s} other {}} where none of theirs does.',
  ofOneBarNothingTells: ' Of {untold, plural, one {one bar} other {{untold} bars}} nothing tells.',
  noBarlineOfTheirsFallsOnOneOfOurs: 'No barline of theirs falls on one of ours.{rest}',
  everyBarHasTheSameNumberInBoth: 'Every bar has the same number in both.',
  everyBarThatWasFoundHasTheSame: 'Every bar that was found has the same number in both.{rest}',
  mostBarsHaveTheSameNumberInBothSee: 'Most bars have the same number in both; see the table.{rest}',
  notEverywhereSeeTheTable: '; not everywhere, see the table',
  ourBarBarIsTheirBarFromAllRest: 'Our bar {bar} is their bar {from}{all}.{rest}',
} as const;
