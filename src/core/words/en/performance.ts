export const performance = {
  writtenValues: 'written values',
  trackChunk: 'Track {chunk}',
  ticksPerQuarterTicksPerQuarterNote: '{ticksPerQuarter} ticks per quarter note',
  sMPTEFramesPerSecondFramesASecond: 'SMPTE, {framesPerSecond} frames a second, {ticksPerFrame} ticks a frame',
  theFilesMetersSuchAsBeatsBeatType:
    'The file’s meters, such as {beats}/{beatType}, would make {bars, number} bars; it is read in 4/4. Set a meter where it was made, or cut the silence in it.',
  trackChunkJumpsToTickTickMoreThan:
    'Track {chunk} jumps to tick {tick}, more than {maxQuarters} quarter notes from the start: a damaged delta time. {beyond} events from there on were left out.',
  trackTrackTickTickByteOffset: 'Track {track}, tick {tick}, byte {offset}: ',
  trackIndex: 'Track {index}',
  labelNoteIsNeverReleasedTheFirstAt:
    '{label}: {unended, plural, one {# note is} other {# notes are}} never released (the first at tick {tick}, key {key}); ended at the next note of the same key or the end of the track.',
  labelNoteOffHasNoNoteToEnd:
    '{label}: {strayOffs, plural, one {# note-off has} other {# note-offs have}} no note to end.',
  labelNoteStartsWhileTheSameKey:
    '{label}: {overlapping, plural, one {# note starts} other {# notes start}} while the same key still sounds; each release was given to the earlier note.',
  channelOnly: 'Channel {only}',
  originalNumberWarning: 'Original {number}: {warning}',
  theTimeSignatureBeatsBeatTypeAt:
    'The time signature {beats}/{beatType} at tick {tickOf} stands beside the beat: read at bar {bar}, beat {beat}.',
  moreMoreTimeSignaturesAfterThat:
    '{more} more time signatures after that stand beside the beat; each is read at the nearest one.',
  channelChannel: 'Channel {channel}',
} as const;
