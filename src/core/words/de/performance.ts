import type { Words } from '../words-of';

export const performance: Words<'performance'> = {
  writtenValues: 'notierte Werte',
  trackChunk: 'Spur {chunk}',
  ticksPerQuarterTicksPerQuarterNote: '{ticksPerQuarter} Ticks je Viertel',
  sMPTEFramesPerSecondFramesASecond: 'SMPTE, {framesPerSecond} Frames je Sekunde, {ticksPerFrame} Ticks je Frame',
  theFilesMetersSuchAsBeatsBeatType:
    'Die Taktarten der Datei, etwa {beats}/{beatType}, ergäben {bars, number} Takte; sie ist im 4/4 gelesen. Stellen Sie dort eine Taktart ein, wo sie entstand, oder schneiden Sie die Stille heraus.',
  trackChunkJumpsToTickTickMoreThan:
    'Spur {chunk} springt zu Tick {tick}, mehr als {maxQuarters} Viertel vom Anfang: eine beschädigte Deltazeit. {beyond} Ereignisse ab dort sind ausgelassen.',
  trackTrackTickTickByteOffset: 'Spur {track}, Tick {tick}, Byte {offset}: ',
  trackIndex: 'Spur {index}',
  labelNoteIsNeverReleasedTheFirstAt:
    '{label}: {unended, plural, one {# Note wird} other {# Noten werden}} nie losgelassen (die erste bei Tick {tick}, Taste {key}); beendet bei der nächsten Note derselben Taste oder am Ende der Spur.',
  labelNoteOffHasNoNoteToEnd:
    '{label}: {strayOffs, plural, one {# Note-off hat} other {# Note-offs haben}} keine Note zu beenden.',
  labelNoteStartsWhileTheSameKey:
    '{label}: {overlapping, plural, one {# Note beginnt} other {# Noten beginnen}}, während dieselbe Taste noch klingt; jedes Loslassen gilt der früheren Note.',
  channelOnly: 'Kanal {only}',
  originalNumberWarning: 'Original {number}: {warning}',
  theTimeSignatureBeatsBeatTypeAt:
    'Die Taktart {beats}/{beatType} bei Tick {tickOf} steht neben der Zählzeit: gelesen bei Takt {bar}, Zählzeit {beat}.',
  moreMoreTimeSignaturesAfterThat:
    '{more} weitere Taktarten danach stehen neben der Zählzeit; jede ist bei der nächsten gelesen.',
  channelChannel: 'Kanal {channel}',
};
