import type { Words } from '../words-of';

export const extracts: Words<'extracts'> = {
  leadSheet: 'Leadsheet',
  pianoReduction: 'Klavierauszug',
  noPartHasPitchesThereIsNothingTo:
    'Keine Stimme hat Tonhöhen: Es gibt nichts für {extract}. Bitte eine bei Eingang aufnehmen.',
};
