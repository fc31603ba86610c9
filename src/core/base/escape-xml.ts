/** Whatever is not plain letters, digits and the like. */
const NOT_PLAIN = /[^\w #.,:/()+-]/;

/** Text as it may stand between tags and in quoted attributes. */
export function escapeXml(text: string): string {
  if (!NOT_PLAIN.test(text)) return text;
  return (
    text
      // XML 1.0 has no way to carry these control characters.
      // oxlint-disable-next-line no-control-regex
      .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
      .replace(/&/g, '&amp;')
      .replace(/</g, '&lt;')
      .replace(/>/g, '&gt;')
      .replace(/"/g, '&quot;')
  );
}
