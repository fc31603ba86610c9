import { readMusicXml } from '../musicxml';
import { assertOneTimeLine, readSmf, writeSmf } from '../smf';
import { cleanSmf, PRESET_PLANS, toSequencer, type CleaningReport, type SequenceReport } from '../to-sequencer';
import type { DirectionB } from './job-settings';

export interface CleanMidi {
  files: { label: string; bytes: Uint8Array }[];
  report:
    | { kind: 'score'; warnings: string[]; files: SequenceReport[] }
    | { kind: 'midi'; warnings: string[]; cleaning: CleaningReport };
}

/** MusicXML begins with a bracket or is a zip; a MIDI file says so itself. */
export function isScoreFile(bytes: Uint8Array): boolean {
  const start = new TextDecoder('latin1')
    .decode(bytes.subarray(0, 64))
    .replace(/^\u00ef\u00bb\u00bf|^\u00ff\u00fe|^\u00fe\u00ff/, '')
    .replace(/\0/g, '')
    .trimStart();
  return start.startsWith('<') || (bytes[0] === 0x50 && bytes[1] === 0x4b);
}

/**
 * A score file becomes MIDI files, a MIDI file a cleaner one.
 *
 * @throws SmfError or MusicXmlError with one sentence
 */
export function toCleanMidi(bytes: Uint8Array, settings: DirectionB): CleanMidi {
  if (isScoreFile(bytes)) {
    const { score, warnings } = readMusicXml(bytes);
    const files = toSequencer(score, settings);
    return {
      files: files.map(({ label, file }) => ({
        label,
        bytes: writeSmf(file, { runningStatus: settings.runningStatus }),
      })),
      report: {
        kind: 'score',
        warnings: warnings.map((warning) => warning.message),
        files: files.map((file) => file.report),
      },
    };
  }
  const reading = readSmf(bytes);
  assertOneTimeLine(reading.file);
  const { file, report } = cleanSmf(reading.file, {
    plan: { ...PRESET_PLANS[settings.preset], ...settings.carry },
    tracks: settings.carryTracks,
    leftOut: settings.leftOutTracks,
    neutralVolume: settings.neutralVolume,
  });
  return {
    files: [{ label: '', bytes: writeSmf(file, { runningStatus: settings.runningStatus }) }],
    report: {
      kind: 'midi',
      warnings: [...reading.warnings.map((warning) => warning.message), ...report.warnings],
      cleaning: report,
    },
  };
}
