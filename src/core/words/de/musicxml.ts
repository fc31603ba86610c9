import type { Words } from '../words-of';

export const musicxml: Words<'musicxml'> = {
  thePartEndsAfterMeasuresOfBarsBars: 'die Stimme endet nach {measures} von {bars} Takten; der Rest ist leer',
  moreBarsHaveAVoiceThatIsLongerThan: 'weitere Takte haben eine Stimme, die länger ist als der Takt',
  moreBarsHoldAnotherLengthThanTheir: 'weitere Takte sind anders lang, als ihre Taktart verlangt',
  aVoiceIsLongerThanTheBarWhat: 'eine Stimme ist länger als der Takt; was darüber hinausreicht, ist abgeschnitten',
  barBarHoldsQuartersOfMusicWhereIts:
    'Takt {bar} enthält {quarters} Musik, wo seine Taktart {quarters2} verlangt; er dauert so lange wie seine Musik',
  theFileIsEmptyAskForItAgainOr: 'Die Datei ist leer. Bitten Sie erneut darum oder exportieren Sie sie noch einmal.',
  theXMLBreaksOffOrIsDamagedAtLine:
    'Das XML bricht ab oder ist beschädigt in Zeile {line}, Spalte {column}{path, select, true { (in {path2})} other {}}: {why}. Exportieren Sie die Partitur erneut als MusicXML.',
  thisIsXMLButNoScoreItBeginsWith:
    "Dies ist XML, aber keine Partitur: Es beginnt mit '<'{root}>, wo '<'score-partwise> oder '<'score-timewise> hingehört. Exportieren Sie die Partitur als MusicXML.",
  theFileDeclaresXMLEntitiesOfItsOwn:
    'Die Datei erklärt eigene XML-Entitäten (Zeile {line}), die keine Partitur braucht und die schaden können. Sie wurde nicht geöffnet; exportieren Sie die Partitur erneut als MusicXML.',
  theXMLIsNestedDeeperThanAnyScore:
    'Das XML ist tiefer verschachtelt als jede Partitur (Zeile {line}). Es wurde nicht geöffnet; exportieren Sie die Partitur erneut als MusicXML.',
  theScoreHasMebibytesMiBOfTextAt:
    'Die Partitur hat {mebibytes} MiB Text; lesbar sind höchstens {limit} MiB. Exportieren Sie sie in Abschnitten.',
  theScoreHasNoPartWithBarsInIt:
    'Die Partitur hat keine Stimme mit Takten. Exportieren Sie sie erneut mit ausgewählten Stimmen.',
  theCompressedScoreIsDamagedOrIsNo:
    'Die komprimierte Partitur ist beschädigt oder keine .mxl-Datei. Exportieren Sie sie erneut, oder als einfaches .musicxml.',
  theCompressedFileHoldsNoScoreWhere:
    'Die komprimierte Datei enthält keine Partitur, wo ihr Verzeichnis sie nennt. Exportieren Sie sie erneut, oder als einfaches .musicxml.',
  aDurationOfQuartersQuarterNotesAt: 'eine Dauer von {quarters} Vierteln in Zeile {line} ist ausgelassen',
  aNoteWithoutPitchSoundsAsTheNoteAt: 'eine Note ohne Tonhöhe klingt wie die Note an ihrem Platz im System',
  aNoteOutsideOfWhatMIDICanSoundKey:
    'eine Note außerhalb dessen, was MIDI klingen lassen kann (Taste {key}), ist ausgelassen',
  originalIWarning: 'Original {i}: {warning}',
  isCalledRawAndOriginal1First: 'heißt „{raw}“ und Original 1 „{first}“',
  hasOwnBarsAndOriginal1HasBars: 'hat {own} Takte und Original 1 hat {bars}',
  originalIWhatAreTheyOfOnePieceBars:
    'Original {i} {what}: Sind sie aus einem Stück? Takte, die einem fehlen, sind leer.',
  theSignSignStandsInsideTheBarAndIs: 'das Zeichen {sign} steht im Takt und kommt an den näheren Taktstrich',
};
