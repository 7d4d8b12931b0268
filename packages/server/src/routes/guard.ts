import type { RequestHandler } from 'express';
import { httpFault } from '../services/faults.ts';

const LOCAL = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;

/**
 * Requests that change something must come from our own page (or from no page at all); and as long as the server listens to this machine alone, it
 * answers only to this machine's names, so that a foreign name pointed here reaches nothing.
 */
export function guard(listensLocally: boolean): RequestHandler {
  return (request, _response, next) => {
    const host = request.get('host') ?? '';
    if (listensLocally && !LOCAL.test(host)) throw httpFault('ORIGIN_FOREIGN', { origin: host });
    const origin = request.get('origin');
    const changes = !['GET', 'HEAD', 'OPTIONS'].includes(request.method);
    if (changes && origin !== undefined && hostOf(origin) !== host) throw httpFault('ORIGIN_FOREIGN', { origin });
    next();
  };
}

function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host;
  } catch {
    return undefined;
  }
}
