export const storage = {
  thisBrowsersStorageIsFullNothing:
    'This browser’s storage is full. Nothing was lost; export or delete jobs you no longer need, then try again.',
  theOriginalOfThisJobIsNoLongerIn:
    'The original of this job is no longer in this browser’s storage. Drop the file again to make a new job.',
  thisJobWasDeletedInAnotherWindow:
    'This job was deleted in another window. Save its archive here if you still need it, or bring it back there.',
  thisJobIsNoLongerInThisBrowser: 'This job is no longer in this browser. Open its archive if you saved one.',
  somethingWasDecidedInAnotherWindow:
    'Something was decided in another window meanwhile. Choose the new version again.',
  copyOf: '{name} (copy)',
} as const;
