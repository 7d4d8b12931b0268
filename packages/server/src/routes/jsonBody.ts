import { isTooLarge, LIMITS, parseBoundedJson } from '@fictile/core';
import express, { type RequestHandler } from 'express';
import { coreFault, httpFault } from '../services/faults.ts';

/** Bodies of JSON, whose depth and number of values are counted before they are parsed. */
export const jsonBody = (idle: RequestHandler): RequestHandler[] => [
  idle,
  express.raw({ type: ['application/json', 'application/*+json'], limit: LIMITS.projectBytes }),
  (request, _response, next) => {
    if (Buffer.isBuffer(request.body)) {
      const parsed = parseBoundedJson(request.body, 'document');
      if (!parsed.ok && isTooLarge(parsed.error)) throw coreFault(parsed.error);
      if (!parsed.ok) throw httpFault('REQUEST_BROKEN', { path: 'body', why: 'it is no JSON' });
      request.body = parsed.value;
    }
    next();
  },
];
