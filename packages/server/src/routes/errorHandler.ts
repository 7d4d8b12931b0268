import { STATUS } from '@fictile/contract';
import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { databaseFault } from '../services/databaseFault.ts';
import { Fault, httpFault } from '../services/faults.ts';

/** Turns whatever was thrown into a coded answer; only faults of ours are logged as errors. */
export function errorHandler(log: Logger): ErrorRequestHandler {
  // by its four parameters it is known as a handler of errors
  // eslint-disable-next-line fictile/positional
  return (error: unknown, _request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const fault = error instanceof Fault ? error : (databaseFault(error) ?? faultOfParser(error));
    if (fault.status >= 500) log.error(error, 'request failed');
    // what is not there now may be there later
    response.set('cache-control', 'no-store');
    response.status(fault.status).json({ error: { code: fault.code, params: fault.params }, ...fault.more });
  };
}

/** The body parsers throw errors with a status of their own. */
function faultOfParser(error: unknown): Fault {
  const { status, type } = (typeof error === 'object' && error !== null ? error : {}) as {
    status?: number;
    type?: string;
  };
  if (status === STATUS.TOO_LARGE) return new Fault('TOO_LARGE', { what: 'request', size: 0, limit: 0 });
  if (status !== undefined && status < 500)
    return httpFault('REQUEST_BROKEN', { path: 'body', why: type ?? 'can not be read' });
  return httpFault('INTERNAL', {});
}
