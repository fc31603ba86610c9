export const extracts = {
  leadSheet: 'Lead sheet',
  pianoReduction: 'Piano reduction',
  noPartHasPitchesThereIsNothingTo:
    'No part has pitches: there is nothing to make a {extract} of. Include one at Intake.',
} as const;
