import { say } from '../../words';
import { Equals, IsIn } from 'class-validator';
import { LANGUAGES, type Language } from '../../instruments';
import { decisionKind } from '../decision-kind';
import { NOWHERE } from '../roles';
import { LANGUAGE_NAMES } from '../words';

/** Language of the instruments' names and abbreviations. */
export class SetLanguage {
  @Equals('setLanguage') kind!: 'setLanguage';
  @IsIn(LANGUAGES) language!: Language;
}

export const setLanguage = decisionKind({
  kind: 'setLanguage',
  points: NOWHERE,
  dto: SetLanguage,
  apply: (settings, made) => ({ ...settings, language: made.language }),
  describe: (made) => say('decisions.instrumentNamesInLanguageNames', { languageNames: LANGUAGE_NAMES[made.language] }),
});
