import { NextRequest } from 'next/server';
import { describe, expect, it } from 'vitest';
import { proxy } from './proxy';

const ask = (headers: Record<string, string>) => proxy(new NextRequest('http://127.0.0.1:3210/', { headers })).status;

describe('the policy of an answer', () => {
  const policyOf = () =>
    proxy(new NextRequest('http://localhost/', { headers: { host: 'localhost' } })).headers.get(
      'content-security-policy',
    )!;
  it('lets no script run inside a page but with a word of its own', () => {
    const [script] = policyOf().match(/script-src [^;]*/)!;
    expect(script).toMatch(/^script-src 'self' 'nonce-[\w=]{20,}' 'wasm-unsafe-eval'$/);
    expect(policyOf()).not.toBe(policyOf());
  });
});

describe('the names the application answers to', () => {
  it.each(['127.0.0.1:3210', 'localhost:3210', 'localhost', '[::1]:3210'])('%s is this machine', (host) => {
    expect(ask({ host })).toBe(200);
  });
  it.each(['evil.example', 'localhost.evil.example:3210', '127.0.0.1.evil.example', ''])('“%s” is not', (host) => {
    expect(ask({ host })).toBe(421);
  });
  it('nor is none at all', () => {
    expect(ask({})).toBe(421);
  });
});
