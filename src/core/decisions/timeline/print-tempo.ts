import { say } from '../../words';
import { Equals, IsIn, IsOptional, IsNumber, Max, Min } from 'class-validator';
import { TEMPO_PRINTS, type TempoPrint } from '../../settings';
import { decisionKind } from '../decision-kind';
import { NOWHERE } from '../roles';

/** Which tempo changes are printed; all of them are played. */
export class PrintTempo {
  @Equals('printTempo') kind!: 'printTempo';
  @IsOptional() @IsIn(TEMPO_PRINTS) which?: TempoPrint;
  /** Milliseconds that the printed tempos may be from the played ones. */
  @IsOptional() @IsNumber() @Min(0) @Max(1000) tolerance?: number;
}

const WORDS: Record<TempoPrint, string> = {
  get all() {
    return say('decisions.metronomeMarksWhereTheTempoChanges');
  },
  get sections() {
    return say('decisions.metronomeMarksAtMarkersOnly');
  },
  get first() {
    return say('decisions.theFirstMetronomeMarkOnly');
  },
  get none() {
    return say('decisions.noMetronomeMarks');
  },
};

export const printTempo = decisionKind({
  kind: 'printTempo',
  points: NOWHERE,
  dto: PrintTempo,
  apply: (settings, { which, tolerance }) => ({
    ...settings,
    tempoPrint: which ?? settings.tempoPrint,
    tempoTolerance: tolerance ?? settings.tempoTolerance,
  }),
  describe: ({ which, tolerance }) =>
    [which && WORDS[which], tolerance !== undefined && say('decisions.printedTemposWithinToleranceMsOf', { tolerance })]
      .filter(Boolean)
      .join('; '),
});
