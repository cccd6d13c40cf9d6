import { type NextRequest, NextResponse } from 'next/server';

const LOCAL = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;

/**
 * There are no accounts yet, so only this machine may come in. The address is loopback; this also turns away pages of
 * other sites that point their name, or their forms, at it.
 */
export function proxy(request: NextRequest) {
  const host = request.headers.get('host') ?? '';
  const origin = request.headers.get('origin');
  const reads = request.method === 'GET' || request.method === 'HEAD';
  const foreign = origin !== null && origin !== `http://${host}`;
  if (!LOCAL.test(host) || (!reads && foreign)) {
    return NextResponse.json(
      { code: 'not-local', message: 'Good Shelf answers on this machine only.' },
      { status: 403 },
    );
  }
  return NextResponse.next();
}
