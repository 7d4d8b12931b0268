import type { RequestHandler } from 'express';
import { httpFault } from '../services/faults.ts';

/**
 * Requests that change something must come from our own page (or from no page at all); and the server answers only to
 * its own names, so that a
 * foreign name pointed here reaches nothing.
 */
export function guard(names: readonly string[]): RequestHandler {
  const known = new Set(names.map((name) => name.toLowerCase()));
  return (request, _response, next) => {
    const host = request.get('host') ?? '';
    if (!known.has(nameOf(host))) throw httpFault('ORIGIN_FOREIGN', { origin: host });
    const origin = request.get('origin');
    const changes = !['GET', 'HEAD', 'OPTIONS'].includes(request.method);
    if (changes && origin !== undefined && hostOf(origin) !== host) throw httpFault('ORIGIN_FOREIGN', { origin });
    next();
  };
}

/** Without the port; of an address of IPv6 without its brackets. */
const nameOf = (host: string): string =>
  host
    .replace(/:\d+$/, '')
    .replace(/^\[(.*)\]$/, '$1')
    .toLowerCase();

function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host;
  } catch {
    return undefined;
  }
}
