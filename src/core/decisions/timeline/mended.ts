import { say } from '../../words';
import type { TimeLineEdit } from '../../performance';
import type { JobSettings } from '../../settings';
import { QUARTER, type WrittenUnits } from '../../time';

/** The settings with one more thing mended on the time line: a later one counts on top of those before. */
export function mended(settings: JobSettings, edit: TimeLineEdit): JobSettings {
  const timeLine = [...settings.timeLine, edit];
  return { ...settings, timeLine, sequencing: { ...settings.sequencing, timeLine } };
}

/** Places are told in quarters from the beginning: barlines may have moved since. */
export function placeWords(at: WrittenUnits): string {
  const quarters = Math.round((at / QUARTER) * 100) / 100;
  return at === 0 ? say('decisions.atTheBeginning') : say('decisions.afterQuartersQuarter', { quarters });
}
