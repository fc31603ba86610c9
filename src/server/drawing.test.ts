import { describe, expect, it } from 'vitest';
import { plainDrawing } from './drawing';

const svg = (inside: string) => `<svg viewBox="0 0 10 10" xmlns="http://www.w3.org/2000/svg">${inside}</svg>`;

describe('a drawing', () => {
  it('keeps what a page of music is drawn with, and has its style rules as attributes', () => {
    const { svg: plain, styles } = plainDrawing(
      svg('<style>g.tempo {font-weight:bold;}</style><g class="tempo"><path d="M0 0"/><text>♩ &amp; "x"</text></g>'),
    );
    expect(plain).toContain('<g font-weight="bold" class="tempo"><path stroke="currentColor" d="M0 0">');
    expect(plain).toContain('♩ &amp; &quot;x&quot;');
    expect(plain).not.toContain('<style');
    expect(styles).toContain('font-weight:bold');
  });
  it('leaves away what a page of music has not, with all that is in it', () => {
    expect(plainDrawing(svg('<script>alert(1)</script><foreignObject><path d="M1 1"/></foreignObject>')).svg).toBe(
      svg(''),
    );
    // However an image says where it is: no image is kept.
    expect(plainDrawing(svg('<image href="/etc/passwd"/><image xlink:href="file:///dev/zero"/>')).svg).toBe(svg(''));
  });
  it.each([
    ['a sign from a file', '<use href="/etc/hostname#x"/>'],
    ['a sign from elsewhere', '<use xlink:href="http://example.org/x.svg#a"/>'],
    ['a fill from a file', '<path fill="url(file:///dev/zero)" d="M0 0"/>'],
    ['a fill by style', '<path style="fill: url(/etc/passwd)" d="M0 0"/>'],
  ])('follows no reference to the outside: %s', (_, inside) => {
    expect(() => plainDrawing(svg(inside))).toThrow(/outside itself/);
  });
  it.each([
    ['unclosed styles', '<style>'.repeat(350_000)],
    ['rectangles', '<rect/>'.repeat(200_000)],
    ['groups in groups', '<g>'.repeat(1000)],
    ['signs that draw signs', '<symbol id="a"><use href="#b"/></symbol>'],
  ])('has its limits: %s', (_, inside) => {
    expect(() => plainDrawing(svg(inside))).toThrow(/page/i);
  });
  it('brings no entities, and must be one', () => {
    expect(() => plainDrawing(`<!DOCTYPE svg [<!ENTITY a "aaaa">]>${svg('&a;')}`)).toThrow(/document type/);
    expect(() => plainDrawing('no drawing')).toThrow();
    expect(() => plainDrawing('<html></html>')).toThrow(/no drawing/);
  });
});
