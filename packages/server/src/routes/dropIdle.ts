import type { Socket } from 'node:net';
import type { NextFunction, Request, Response } from 'express';

const IDLE_MS = 20_000;

/** Connections that are looked after already: one carries many requests. */
const watched = new WeakSet<Socket>();

/** An upload of which nothing has come for a while is dropped: half a file is nothing that is worth waiting for, and each holds memory. */
export function dropIdle(request: Pick<Request, 'socket' | 'once'>, _response: Response, next: NextFunction): void {
  const { socket } = request;
  if (!watched.has(socket)) {
    watched.add(socket);
    socket.on('timeout', () => socket.destroy());
  }
  socket.setTimeout(IDLE_MS);
  const done = (): void => void socket.setTimeout(0);
  request.once('end', done);
  request.once('close', done);
  next();
}
