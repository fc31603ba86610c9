import { Type } from 'class-transformer';
import { IsArray, IsObject, IsString, ValidateNested } from 'class-validator';
import { describe, expect, it } from 'vitest';
import { posted } from './posted';

class Page {
  @IsString() svg!: string;
}
class Wanted {
  @IsArray() @IsObject({ each: true }) @ValidateNested({ each: true }) @Type(() => Page) pages!: Page[];
}
const send = (body: string) => posted(new Request('http://127.0.0.1/', { method: 'POST', body }), Wanted);

describe('what is posted', () => {
  it('is taken where it has the shape', async () => {
    expect(await send('{"pages":[{"svg":"x"}]}')).toEqual({ pages: [{ svg: 'x' }] });
  });
  it('brings no prototype', async () => {
    const page = (await send('{"pages":[{"svg":"x","__proto__":{"a":1}}]}'))!.pages[0]!;
    expect(Object.getPrototypeOf(page)).toBe(Page.prototype);
    expect('a' in page).toBe(false);
  });
  it.each([
    ['lists in lists', '{"pages":[[[[]]]]}'],
    ['keys that objects have of themselves', '{"pages":[{"svg":{"constructor":1}}]}'],
    ['something further', '{"pages":[],"more":1}'],
    ['half of it', '{"pages":[{"svg":'],
    ['a list', '[]'],
  ])('is nothing where it is %s', async (_, body) => {
    expect(await send(body)).toBeNull();
  });
});
