import { say } from '../../words';
import { Equals, IsBoolean, IsIn, IsOptional, Matches, ValidateIf } from 'class-validator';
import type { PartId } from '../../base';
import { ANEW_ASPECTS, type AnewAspect } from '../../settings';
import { decisionKind } from '../decision-kind';
import { A_PART } from '../roles';
import { PART } from '../validators';

/** A side of a received score is the engine's, or again as it came; null means all parts. */
export class WriteAnew {
  @Equals('writeAnew') kind!: 'writeAnew';
  @IsIn(ANEW_ASPECTS) aspect!: AnewAspect;
  @ValidateIf((one: WriteAnew) => one.part !== null) @Matches(PART) part!: PartId | null;
  /** As it was received after all. */
  @IsOptional() @IsBoolean() off?: boolean;
}

const WHAT: Record<AnewAspect, () => [anew: string, received: string]> = {
  spelling: () => [say('decisions.keysAndNoteNamesFoundByAnalysis'), say('decisions.keysAndNoteNamesAsInTheOriginal')],
  transposition: () => [say('decisions.transposedForThePlayers'), say('decisions.transpositionAsInTheOriginal')],
  percussion: () => [say('decisions.drumsRewritten'), say('decisions.drumsAsInTheOriginal')],
};

export const writeAnew = decisionKind({
  kind: 'writeAnew',
  points: A_PART,
  dto: WriteAnew,
  apply: (settings, { aspect, part, off }) => {
    const others = settings.anew.filter((one) => one.aspect !== aspect || (part !== null && one.part !== part));
    return { ...settings, anew: off ? others : [...others, { aspect, part }] };
  },
  describe: ({ aspect, part, off }, nameOf) =>
    `${part === null ? say('decisions.allParts') : nameOf(part)}: ${WHAT[aspect]()[off ? 1 : 0]}`,
});
