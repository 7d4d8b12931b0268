import type { Socket } from 'node:net';
import type { NextFunction, Request, Response } from 'express';

type Handler = (request: Pick<Request, 'socket' | 'once'>, response: Response, next: NextFunction) => void;

/**
 * An upload of which nothing has come for so long is dropped: half a file is nothing that is worth waiting for, and
 * each holds memory.
 */
export function dropIdle(idleMs: number): Handler {
  // connections that are looked after already: one carries many requests
  const watched = new WeakSet<Socket>();
  return (request, _response, next) => {
    const { socket } = request;
    if (!watched.has(socket)) {
      watched.add(socket);
      socket.on('timeout', () => socket.destroy());
    }
    socket.setTimeout(idleMs);
    const done = (): void => void socket.setTimeout(0);
    request.once('end', done);
    request.once('close', done);
    next();
  };
}
