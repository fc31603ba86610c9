import { describe, expect, it } from 'vitest';
import { plainDrawing } from './drawing';

const svg = (inside: string) => `<svg viewBox="0 0 10 10" xmlns="http://www.w3.org/2000/svg">${inside}</svg>`;

describe('a drawing', () => {
  it('keeps what a page of music is drawn with, and has its style rules as attributes', () => {
    const { svg: plain } = plainDrawing(
      svg(
        '<style>g.tempo {font-weight:bold;}</style><g class="tempo"><path d="M0 0"/><text x="3" y="4" font-size="0px"> <tspan font-size="5px">A &amp; "x"</tspan></text></g>',
      ),
    );
    expect(plain).toContain('<g class="tempo"><path stroke="currentColor" d="M0 0">');
    expect(plain).toContain(
      '<text x="3" y="4" font-size="5" font-weight="bold" xml:space="preserve">A &amp; &quot;x&quot;</text>',
    );
    expect(plain).not.toContain('<style');
  });
  it('has texts run by run: what follows begins where the run before it ends, whatever the anchor', () => {
    const places = (anchor: string) => {
      const { svg: plain } = plainDrawing(
        svg(
          `<text x="100" y="0" text-anchor="${anchor}" font-size="10px"><tspan>ab</tspan><tspan font-style="italic">cd</tspan></text>`,
        ),
      );
      return [...plain.matchAll(/<text x="([\d.]+)"/g)].map(([, x]) => Number(x));
    };
    const [start, second] = places('start');
    expect(start).toBe(100);
    const ends = places('end');
    expect(ends[1]! - ends[0]!).toBeCloseTo(second! - start!, 6);
    expect(ends[1]).toBeLessThan(100);
    const [middle] = places('middle');
    expect(middle! - ends[0]!).toBeCloseTo(100 - middle!, 6);
  });
  it.each([
    ['Japanese', '時計屋のがちょう', 8],
    ['Korean', '거위', 2],
    ['Chinese', '鹅', 1],
    ['Hebrew', 'שלום', 4],
    ['Arabic', 'سلام', 3],
    ['Thai', 'ห่าน', 4],
    ['Devanagari', 'हंस', 3],
  ])('draws %s, which the text font has not, as outlines beside text', (_, words, signs) => {
    const { svg: plain } = plainDrawing(svg(`<text x="0" y="0" font-size="10px">Op. 3 ${words}</text>`));
    expect(plain).toMatch(/>Op. 3 ?</);
    expect(plain).not.toContain(words[0]!);
    // Outlines that have something in them; Arabic letters join, so that there are fewer of them.
    const drawn = [...plain.matchAll(/<path transform="[^"]*" d="M[^"]+"/g)];
    expect(drawn.length).toBeGreaterThanOrEqual(signs - 1);
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
    ['groups that draw groups', `<g id="a"><path/></g>${'<g id="b"><use href="#a"/></g>'.repeat(3)}`],
    [
      'one large sign many times',
      `<symbol id="a">${'<path/>'.repeat(9000)}</symbol>${'<use xlink:href="#a"/>'.repeat(30)}`,
    ],
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
