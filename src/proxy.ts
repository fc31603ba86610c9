import { NextResponse, type NextRequest } from 'next/server';
import { contentPolicy } from './policy';

/**
 * Names this application goes by. A page of another site that has its own name point to this machine (DNS rebinding)
 * asks for that name, and is refused.
 */
const HOSTS = new Set(['127.0.0.1', 'localhost', '[::1]', ...(process.env.DRAGOMAN_HOSTS?.match(/\S+/g) ?? [])]);

export function proxy(request: NextRequest): NextResponse {
  const host = (request.headers.get('host') ?? '').replace(/:\d+$/, '');
  if (HOSTS.has(host)) return withPolicy(request);
  return NextResponse.json(
    { error: `This machine does not serve Dragoman as “${host.slice(0, 100)}”; DRAGOMAN_HOSTS may name it.` },
    { status: 421 },
  );
}

/** The framework finds the nonce in the request and gives it to the scripts of the page. */
function withPolicy(request: NextRequest): NextResponse {
  // Development needs eval and a socket; what is served to people does not.
  if (process.env.NODE_ENV === 'development') return NextResponse.next();
  const policy = contentPolicy(btoa(crypto.randomUUID()));
  const headers = new Headers(request.headers);
  headers.set('Content-Security-Policy', policy);
  const answer = NextResponse.next({ request: { headers } });
  answer.headers.set('Content-Security-Policy', policy);
  return answer;
}
