import { say } from '../../words';
import { Equals, Matches } from 'class-validator';
import type { PartId } from '../../base';
import { instrumentById, type InstrumentId, spokenName } from '../../instruments';
import { decisionKind } from '../decision-kind';
import { BARS_OF_A_PART } from '../roles';
import { entered } from '../records';
import { BarRange, inBars } from '../shapes/bar-range';
import { IsInstrumentId, IsShape, PART } from '../validators';

/** A player takes up another instrument for some bars; their own again where it is that. */
export class TakeUp {
  @Equals('takeUp') kind!: 'takeUp';
  @Matches(PART) part!: PartId;
  @IsInstrumentId() instrument!: InstrumentId;
  @IsShape(BarRange) bars!: BarRange;
}

export const takeUp = decisionKind({
  kind: 'takeUp',
  points: BARS_OF_A_PART,
  dto: TakeUp,
  apply: (settings, { part, instrument, bars }) => ({
    ...settings,
    takenUp: entered(settings.takenUp, part, [...(settings.takenUp[part] ?? []), { bars, instrument }]),
  }),
  describe: ({ part, instrument, bars }, nameOf) =>
    say('decisions.nameOfPlaysEnInBars', {
      nameOf: nameOf(part),
      en: spokenName(instrumentById(instrument)),
      inBars: inBars(bars),
    }),
});
