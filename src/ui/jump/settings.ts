import type { Direction } from '@/storage/schema';
import type { StationId } from '../workspace/stations';

/** Something that can be set, and the words of the trade under which people look for it. */
export interface SettingPlace {
  name: string;
  station: StationId;
  direction: Direction;
  words: string;
}

const toScore = (station: StationId, name: string, words: string): SettingPlace => ({
  name,
  station,
  direction: 'to-score',
  words,
});
const toSequencer = (station: StationId, name: string, words: string): SettingPlace => ({
  name,
  station,
  direction: 'to-sequencer',
  words,
});

/* Words of the trade; common practice, no source. */
export const SETTING_PLACES: readonly SettingPlace[] = [
  toScore('intake', 'Originals and where they are placed', 'files import join append order second version'),
  toScore('intake', 'Tracks included or left out', 'mute delete ignore empty duplicate double'),
  toScore('intake', 'A new version of the file', 'revision update replace again changed resend carry over'),
  toScore('intake', 'Texts read in another encoding', 'umlaut accents japanese cyrillic characters'),
  toScore(
    'casting',
    'Instruments, names and order of the parts',
    'rename label score order template transpose transposition',
  ),
  toScore('casting', 'Divide among players', 'divisi explode split chord voicing a2 arrange'),
  toScore('casting', 'Combine tracks into a part', 'merge combine implode condense reduce'),
  toScore('casting', 'Doublings of a player', 'doubling double reed change switch program piccolo'),
  toScore('casting', 'Keyswitches and techniques', 'articulation pizz con sord patch switch'),
  toScore('casting', 'House list', 'preset remember template learned'),
  toScore('rhythm', 'Grid', 'quantize quantise quantization resolution triplets tuplets snap sixteenth'),
  toScore('rhythm', 'Swing', 'shuffle groove off-beats straight'),
  toScore('rhythm', 'Lead', 'latency delay offset early late pre-delay advance'),
  toScore('rhythm', 'Gaps and lengths', 'legato overlap rests duration note length staccato'),
  toScore('rhythm', 'Voices and hands', 'layers split point staff left right hand polyphony'),
  toScore('rhythm', 'Ornaments', 'trill tremolo grace notes arpeggio roll flam'),
  toScore('page', 'Keys and spelling', 'key signature enharmonic accidentals sharps flats respell'),
  toScore('page', 'Clefs and 8va', 'clef octave line ottava ledger'),
  toScore('page', 'Drum map', 'percussion kit noteheads drums'),
  toScore('page', 'Tablature', 'tab frets tuning capo guitar'),
  toScore('page', 'Markings', 'dynamics hairpins crescendo slurs phrasing accents pedal breaths'),
  toScore('page', 'Repeats', 'repeat signs endings volta da capo fold'),
  toScore(
    'page',
    'Lead sheet and piano reduction',
    'extract tune chords rehearsal piano vocal score short score condensed',
  ),
  toScore('page', 'Title, composer, concert pitch, print', 'transposed score pdf print pages layout'),
  toScore('timeline', 'Tempo', 'bpm metronome rit accel tempo map conductor thin'),
  toScore('timeline', 'Meters and barlines', 'time signature rebar downbeat measure shift'),
  toScore('timeline', 'Bar numbers and pickup', 'anacrusis upbeat measure numbers bar one count'),
  toScore('timeline', 'Free playing', 'rubato tap beat detection follow no click 5/8 7/8 uneven'),
  toScore('timeline', 'Studio map, click and time code', 'smpte timecode click track count-in frames'),
  toScore('proof', 'Agreement', 'check verify compare difference proofread recording'),
  toScore('dispatch', 'Files for notation programs', 'export save musicxml mxl pdf download'),
  toScore(
    'dispatch',
    'Parcel, stems, lists, recipes',
    'zip wav stems bounce handoff hand-over csv paper print a4 letter preset',
  ),
  toSequencer('intake', 'What to include', 'cc controllers volume pan reset reverb sysex clean mixer faders'),
  toSequencer('intake', 'A new version of the file', 'revision update replace again changed resend carry over'),
  toSequencer('casting', 'Sounds, channels and ports', 'general midi program patch bank instrument gm'),
  toSequencer('casting', 'Technique charts', 'articulation keyswitch technique patch'),
  toSequencer('rhythm', 'Humanize', 'random groove feel humanise loosen'),
  toSequencer('rhythm', 'Dynamics', 'velocity expression modulation cc11 cc1 level'),
  toSequencer('rhythm', 'Notes changed by hand', 'edit correct wrong note fix pitch mend'),
  toSequencer('rhythm', 'Processing', 'quantize grid legato gap overlap accent thin velocity scale'),
  toSequencer('timeline', 'Order of bars and pickup', 'repeats da capo coda anacrusis silence'),
  toSequencer('dispatch', 'Parcel, stems, lists, recipes', 'zip wav stems bounce handoff hand-over csv preset'),
  toSequencer('dispatch', 'Resolution, type and files', 'ppq ticks type 0 export midi smf clips sections'),
];
