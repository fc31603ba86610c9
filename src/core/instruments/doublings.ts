import { CATALOGUE, instrumentById, type InstrumentId } from './catalogue';
import { USUAL_INSTRUMENT } from './general-midi';
import type { Instrument } from './instrument';
import { TECHNIQUES, type TechniqueId } from './techniques';

/*
 * Which instruments one player takes up in turn, and what a General MIDI program in the middle of a track says about that.
 */

/** Instruments on one chair, orchestra and theatre pit; common practice, no source. */
const CHAIRS: readonly (readonly InstrumentId[])[] = [
  [
    'flute',
    'piccolo',
    'alto-flute',
    'bass-flute',
    'recorder-alto',
    'recorder-soprano',
    'tin-whistle',
    'panpipes',
    'ocarina',
  ],
  ['oboe', 'english-horn', 'oboe-damore'],
  [
    'clarinet-bflat',
    'clarinet-a',
    'clarinet-eflat',
    'bass-clarinet',
    'alto-clarinet',
    'basset-horn',
    'contrabass-clarinet',
  ],
  ['alto-sax', 'tenor-sax', 'soprano-sax', 'baritone-sax', 'bass-sax'],
  ['bassoon', 'contrabassoon'],
  ['trumpet-bflat', 'trumpet-c', 'flugelhorn', 'cornet', 'piccolo-trumpet', 'trumpet-eflat', 'trumpet-d'],
  ['trombone', 'bass-trombone', 'alto-trombone', 'euphonium'],
  [
    'piano',
    'electric-piano',
    'celesta',
    'harpsichord',
    'organ',
    'harmonium',
    'accordion',
    'bandoneon',
    'synthesizer',
    'clavinet',
    'clavichord',
  ],
  ['electric-guitar', 'acoustic-guitar', 'guitar', 'banjo', 'mandolin', 'ukulele', 'lute'],
  ['bass-guitar', 'double-bass'],
  [
    'vibraphone',
    'glockenspiel',
    'xylophone',
    'marimba',
    'tubular-bells',
    'crotales',
    'handbells',
    'timpani',
    'steel-drums',
  ],
];

/** Programs of a family that are one instrument played in another way, or by more people. */
const SAME_PLAYERS: Partial<Record<Instrument['family'], readonly number[]>> = {
  strings: [41, 42, 43, 44, 49, 50, 51, 52],
  brass: [62, 63, 64],
  voice: [53, 54, 55],
};

/** General MIDI programs that stand for a way of playing. */
export const TECHNIQUE_PROGRAMS: Partial<Record<TechniqueId, Partial<Record<Instrument['family'], number>>>> = {
  pizzicato: { strings: 46 },
  tremolo: { strings: 45 },
  muted: { brass: 60 },
};

/** What another program in the middle of a track is for its player. */
export type ProgramMeaning =
  | { kind: 'same' }
  | { kind: 'technique'; technique: TechniqueId }
  /** `chair`: players take it up as a matter of course; otherwise it may be somebody else. */
  | { kind: 'instrument'; instrument: Instrument; chair: boolean }
  | { kind: 'nothing' };

/** @param program General MIDI, 1–128 */
export function meaningOfProgram(program: number, played: Instrument): ProgramMeaning {
  const { family, programs } = played;
  const technique = TECHNIQUES.find((one) => TECHNIQUE_PROGRAMS[one]?.[family] === program);
  if (technique) return { kind: 'technique', technique };
  const section = SAME_PLAYERS[family]?.includes(program) ?? false;
  const chairs = CHAIRS.filter((chair) => chair.includes(played.id));
  const mate = chairs.flat().find((id) => id !== played.id && soundsAs(id, program));
  if (programs.includes(program) || (section && !isAnotherSoloist(program, played))) return { kind: 'same' };
  if (mate) return { kind: 'instrument', instrument: instrumentById(mate), chair: true };
  const usual = usualInstrument(program);
  if (!usual || usual.unpitched) return { kind: 'nothing' };
  return { kind: 'instrument', instrument: usual, chair: false };
}

/** Violin, viola, cello and bass are four people; their sections sound for any of them. */
function isAnotherSoloist(program: number, { family, programs }: Instrument): boolean {
  return family === 'strings' && program <= 44 && !programs.includes(program);
}

function soundsAs(id: InstrumentId, program: number): boolean {
  return instrumentById(id).programs[0] === program || USUAL_INSTRUMENT[program] === id;
}

function usualInstrument(program: number): Instrument | null {
  const usual = USUAL_INSTRUMENT[program];
  if (usual !== undefined) return CATALOGUE.find(({ id }) => id === usual) ?? null;
  return CATALOGUE.find(({ programs }) => programs[0] === program) ?? null;
}
