import type { NextFunction, Request, Response } from 'express';

const IDLE_MS = 20_000;

/** An upload of which nothing has come for a while is dropped: half a file is nothing that is worth waiting for, and each holds memory. */
export function dropIdle(request: Pick<Request, 'socket' | 'once'>, _response: Response, next: NextFunction): void {
  request.socket.setTimeout(IDLE_MS, () => request.socket.destroy());
  const done = (): void => void request.socket.setTimeout(0);
  request.once('end', done);
  request.once('close', done);
  next();
}
