export const workers = {
  thisCouldNotBeMadeTheBrowserRanOut:
    'This could not be made: the browser ran out of memory or broke down. Your job is untouched.',
  bookThePDFCouldNotBeMade: '{book}: the PDF could not be made.',
  readingItBack: 'Reading it back',
  theEngineBrokeDownOnThisAndWas:
    'The engine broke down on this and was started again. Your decisions are safe; undo the last one, or try again.',
  theEngineWasStopped: 'The engine was stopped. Your decisions are kept.',
  theEngraverBrokeDownAndIsStarted:
    'The engraver broke down and is started again: change the bars in view, or open the station again.',
  theApplicationsServerDidNotAnswer:
    'The application’s server did not answer, so what makes this could not be loaded. Start the server and try again; your job is untouched.',
  theServerDidNotAnswer: 'The application’s server did not answer; start it and try again.',
  scoreNotLaidOut: 'The score could not be laid out.',
  passageNotEngraved: 'The passage could not be engraved.',
  noSoundBank: 'There is no sound bank.',
  soundNotComputed: 'The sound could not be computed: the browser ran out of memory or broke down.',
  soundsNotFetched: 'The sounds could not be fetched. Is the application still running?',
} as const;
