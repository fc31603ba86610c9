import { say } from '../../words';
import { Equals, IsIn } from 'class-validator';
import { MARKER_STYLES, type MarkerStyle } from '../../settings';
import { decisionKind } from '../decision-kind';
import { NOWHERE } from '../roles';

export class SetMarkerStyle {
  @Equals('setMarkerStyle') kind!: 'setMarkerStyle';
  @IsIn(MARKER_STYLES) style!: MarkerStyle;
}

export const setMarkerStyle = decisionKind({
  kind: 'setMarkerStyle',
  points: NOWHERE,
  dto: SetMarkerStyle,
  apply: (settings, made) => ({ ...settings, markerStyle: made.style }),
  describe: (made) =>
    say('decisions.markersAsValue', {
      value: {
        auto: say('decisions.rehearsalMarksOrWordsAutomatically'),
        rehearsal: say('decisions.rehearsalMarks'),
        text: say('decisions.words'),
      }[made.style],
    }),
});
