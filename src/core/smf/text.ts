/**
 * Text in Standard MIDI Files names no encoding. Tried in turn: UTF-8 when the bytes are valid UTF-8; Shift-JIS when they
 * are valid Shift-JIS and decode to kana or kanji; Windows Latin-1 otherwise, which always succeeds.
 */
export function decodeText(data: Uint8Array): string {
  return clean(utf8(data) ?? shiftJis(data) ?? new TextDecoder('windows-1252').decode(data));
}

export function encodeText(text: string): Uint8Array {
  return new TextEncoder().encode(text);
}

function utf8(data: Uint8Array): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(data);
  } catch {
    return null;
  }
}

const KANA_OR_KANJI = /[\u3040-\u30ff\u4e00-\u9fff\uff66-\uff9f]/u;
const NOT_JAPANESE = /[\u00a0-\u02ff]/u;

function shiftJis(data: Uint8Array): string | null {
  try {
    const text = new TextDecoder('shift_jis', { fatal: true }).decode(data);
    // A lone half-width katakana between Latin letters is far more often an accented letter ("Flöte").
    const mixed = /[A-Za-z][\uff61-\uff9f]|[\uff61-\uff9f][A-Za-z]/u.test(text);
    return KANA_OR_KANJI.test(text) && !NOT_JAPANESE.test(text) && !mixed ? text : null;
  } catch {
    return null;
  }
}

/** Without trailing zero bytes and control characters that some programs leave in names. */
function clean(text: string): string {
  // eslint-disable-next-line no-control-regex
  return text.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/g, '').trim();
}
