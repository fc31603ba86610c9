import { NextResponse, type NextRequest } from 'next/server';

/**
 * Names this application goes by. A page of another site that has its own name point to this machine (DNS rebinding)
 * asks for that name, and is refused.
 */
const HOSTS = new Set(['127.0.0.1', 'localhost', '[::1]', ...(process.env.DRAGOMAN_HOSTS?.match(/\S+/g) ?? [])]);

export function proxy(request: NextRequest): NextResponse {
  const host = (request.headers.get('host') ?? '').replace(/:\d+$/, '');
  if (HOSTS.has(host)) return NextResponse.next();
  return NextResponse.json(
    { error: `This machine does not serve Dragoman as “${host.slice(0, 100)}”; DRAGOMAN_HOSTS may name it.` },
    { status: 421 },
  );
}
