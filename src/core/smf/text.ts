/**
 * Text in Standard MIDI Files names no encoding. One encoding is guessed for the whole file from all its texts: UTF-8
 * when all are valid UTF-8; Shift-JIS when all are valid Shift-JIS and kana stand among them; Windows Latin-1
 * otherwise, which always succeeds.
 */
export const TEXT_ENCODINGS = [
  'utf-8',
  'windows-1252',
  'shift_jis',
  'windows-1250',
  'windows-1251',
  'euc-kr',
  'gb18030',
] as const;
export type TextEncoding = (typeof TEXT_ENCODINGS)[number];

export function guessEncoding(texts: readonly Uint8Array[]): TextEncoding {
  const foreign = texts.filter((data) => data.some((byte) => byte > 0x7f));
  if (foreign.every((data) => decodes(data, 'utf-8'))) return 'utf-8';
  return foreign.every((data) => decodes(data, 'shift_jis')) && foreign.some(hasKana) && !foreign.some(hasLoneLetter)
    ? 'shift_jis'
    : 'windows-1252';
}

/** @param encoding of the file; of this text alone when nobody has looked at the others */
export function decodeText(data: Uint8Array, encoding: TextEncoding = guessEncoding([data])): string {
  return clean(new TextDecoder(encoding).decode(data));
}

export function encodeText(text: string): Uint8Array {
  return new TextEncoder().encode(text);
}

function decodes(data: Uint8Array, encoding: TextEncoding): boolean {
  try {
    new TextDecoder(encoding, { fatal: true }).decode(data);
    return true;
  } catch {
    return false;
  }
}

/**
 * Japanese titles and names have kana in them: lead bytes that Latin text hardly uses, or several half-width ones in a
 * row.
 */
function hasKana(data: Uint8Array): boolean {
  return /[\u3040-\u30ff]|[\uff66-\uff9f]{2}/u.test(new TextDecoder('shift_jis').decode(data));
}

const isLetter = (byte: number | undefined) =>
  byte !== undefined && ((byte >= 0x41 && byte <= 0x5a) || (byte >= 0x61 && byte <= 0x7a));

/** An accented letter between plain ones ("Spår", "Flöte"), which no Japanese name has. */
function hasLoneLetter(data: Uint8Array): boolean {
  return data.some((byte, i) => byte >= 0xc0 && isLetter(data[i - 1]) && isLetter(data[i + 1]));
}

/** Without trailing zero bytes and control characters that some programs leave in names. */
function clean(text: string): string {
  // oxlint-disable-next-line no-control-regex
  return text.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/g, '').trim();
}
