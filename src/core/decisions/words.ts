/* Words that several decisions, and the views, say alike. */
import { say } from '../words';
import type { Language } from '../instruments';
import type { MarkClass } from '../score';
import type { DataKind, DynamicCarrier, SmallestValue } from '../settings';
import type { TextEncoding } from '../smf';

export const LANGUAGE_NAMES: Record<Language, string> = {
  get en() {
    return say('decisions.english');
  },
  get de() {
    return say('decisions.german');
  },
  get it() {
    return say('decisions.italian');
  },
  get fr() {
    return say('decisions.french');
  },
  get es() {
    return say('decisions.spanish');
  },
};

const VALUE_NAMES: Record<SmallestValue, string> = {
  get quarter() {
    return say('decisions.quarterNotes');
  },
  get eighth() {
    return say('decisions.eighthNotes');
  },
  get '16th'() {
    return say('decisions.sixteenthNotes');
  },
  get '32nd'() {
    return say('decisions.thirtySecondNotes');
  },
};

export function valueName(value: SmallestValue): string {
  return VALUE_NAMES[value];
}

const ENCODING_NAMES: Record<TextEncoding, string> = {
  get 'utf-8'() {
    return say('decisions.unicodeUTF8');
  },
  get 'windows-1252'() {
    return say('decisions.westernEuropean');
  },
  get shift_jis() {
    return say('decisions.japaneseShiftJIS');
  },
  get 'windows-1250'() {
    return say('decisions.centralEuropean');
  },
  get 'windows-1251'() {
    return say('decisions.cyrillic');
  },
  get 'euc-kr'() {
    return say('decisions.korean');
  },
  get gb18030() {
    return say('decisions.chineseSimplified');
  },
};

export function encodingName(encoding: TextEncoding): string {
  return ENCODING_NAMES[encoding];
}

export const MARK_NAMES: Record<MarkClass, string> = {
  get dynamics() {
    return say('decisions.dynamics');
  },
  get hairpins() {
    return say('decisions.hairpins');
  },
  get slurs() {
    return say('decisions.slurs');
  },
  get staccato() {
    return say('decisions.staccato');
  },
  get accents() {
    return say('decisions.accents');
  },
  get pedal() {
    return say('decisions.pedal');
  },
  get breaths() {
    return say('decisions.breaths');
  },
};

export const DATA_NAMES: Record<DataKind, string> = {
  get program() {
    return say('decisions.programsAndBanks');
  },
  get volume() {
    return say('decisions.channelVolume7');
  },
  get pan() {
    return say('decisions.pan10');
  },
  get reverb() {
    return say('decisions.reverb91');
  },
  get chorus() {
    return say('decisions.chorus93');
  },
  get modulation() {
    return say('decisions.modulation1');
  },
  get expression() {
    return say('decisions.expression11');
  },
  get sustain() {
    return say('decisions.pedal64');
  },
  get reset() {
    return say('decisions.resets120121123');
  },
  get otherControllers() {
    return say('decisions.otherControllers');
  },
  get pitchBend() {
    return say('decisions.pitchBend');
  },
  get aftertouch() {
    return say('decisions.aftertouch');
  },
  get sysex() {
    return say('decisions.exclusiveData');
  },
  get text() {
    return say('decisions.textsOtherThanLyrics');
  },
  get keyswitches() {
    return say('decisions.keyswitches');
  },
};

export const CARRIER_NAMES: Record<DynamicCarrier, string> = {
  get velocity() {
    return say('decisions.velocity');
  },
  get expression() {
    return say('decisions.controller11');
  },
  get modulation() {
    return say('decisions.controller1');
  },
  get volume() {
    return say('decisions.controller7');
  },
};
