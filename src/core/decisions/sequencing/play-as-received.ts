import { say } from '../../words';
import { Equals, IsInt, IsOptional, Matches, Max, Min, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { SCORE_PART } from '../validators';

/** Treatments are taken back: one of them, all of a part, or all. */
export class PlayAsReceived {
  @Equals('playAsReceived') kind!: 'playAsReceived';
  @ValidateIf((one: PlayAsReceived) => one.part !== null) @Matches(SCORE_PART) part!: PartId | null;
  /** Which one, by its place in the list; all when absent. */
  @IsOptional() @IsInt() @Min(0) @Max(1_000_000) which?: number;
}

export const playAsReceived = decisionKind({
  kind: 'playAsReceived',
  points: A_PART,
  dto: PlayAsReceived,
  apply: (settings, { part, which }) => {
    const { sequencing } = settings;
    const treatments = sequencing.treatments.filter((one, i) =>
      which === undefined ? part !== null && one.part !== part : i !== which,
    );
    return { ...settings, sequencing: { ...sequencing, treatments } };
  },
  describe: ({ part, which }, nameOf) => {
    const what =
      which === undefined
        ? say('decisions.resetToTheOriginal')
        : say('decisions.processingStepWhichDeleted', { which: which + 1 });
    return `${part === null ? say('decisions.allParts') : nameOf(part)}: ${what}`;
  },
});
