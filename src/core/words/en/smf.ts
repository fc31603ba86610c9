export const smf = {
  theFileGoesOnAfterMostTracksMore:
    'The file goes on after {most} tracks, more than a Standard MIDI File can count. Export it again with the tracks that are needed.',
  theFileIsEmpty0BytesAskForItAgain: 'The file is empty (0 bytes). Ask for it again, or export it once more.',
  thisIsNotAStandardMIDIFileItStarts:
    'This is not a Standard MIDI File: it starts with “{start}” where “MThd” belongs. Export it as .mid from the program it was made in.',
  theFileBreaksOffInsideItsHeader:
    'The file breaks off inside its header (byte {offset}). It was not copied whole; ask for it again.',
  theHeaderNamesTypeFormatStandard:
    'The header names type {format}; Standard MIDI Files have types 0, 1 and 2. The header is damaged (byte 8); export the file again.',
  theHeaderSays0TicksPerQuarterNote:
    'The header says 0 ticks per quarter note (byte 12), so nothing in the file has a time. Export it again with 480 or 960.',
  theHeaderAsksForFpsFramesASecond:
    'The header asks for {fps} frames a second with {ticks} ticks each (byte 12); only 24, 25, 29 and 30 with at least 1 tick exist. Export the file again.',
  theFileHasAHeaderButNoTrackExport: 'The file has a header but no track. Export it again with its tracks selected.',
  thisIsAType2FileTracksSeparate:
    'This is a type 2 file: {tracks} separate patterns without a common time line, so there is no order to write them in. Save it as type 1 (or one file a pattern) and drop it again.',
  theFileHasMebibytesMiBAtMostLimit:
    'The file has {mebibytes} MiB; at most {limit} MiB can be taken in. Split it by tracks or sections and drop the pieces.',
  countBytesStandBeforeTheHeaderThey: '{count} bytes stand before the header; they were passed over.',
  theHeaderAnnouncesSaidTracksFound:
    'The header announces {said} tracks, {found} were found; all found ones were read.',
  theFileEndsMissingBytesBeforeThis:
    'The file ends {missing} bytes before this track does; everything up to there was read.',
  theLastEventIsCutOffAndWasLeftOut: 'The last event is cut off and was left out.',
  theTrackGoesOnAfterItsStatedLength: 'The track goes on after its stated length; it was read to its end mark.',
  countBytesAfterTheTracksEndMark: '{count} bytes after the track’s end mark were passed over.',
  theEndMarkIsMissingTheTrackEnds: 'The end mark is missing; the track ends with its last event.',
  aDataByteHexStandsWhereAnEventMust:
    'A data byte ({hex}) stands where an event must begin; the rest of the track could not be read.',
  anEventBehindAMetaEventHasNoStatus:
    'An event behind a meta event has no status of its own; it was read with the status before it, as other programs do.',
  aDataByteIsOutOfRangeHexTheRestOf: 'A data byte is out of range ({hex}); the rest of the track could not be read.',
  aDeltaTimeIsLongerThanFourBytesThe:
    'A delta time is longer than four bytes; the rest of the track could not be read.',
  aLiveOnlyMessageHexWhichFilesMust: 'A live-only message ({hex}), which files must not carry, was passed over.',
  countBytesBetweenTwoChunksWere: '{count} bytes between two chunks were passed over.',
} as const;
