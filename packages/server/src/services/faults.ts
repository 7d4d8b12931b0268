import type { Failure } from '@fictile/core';
import { STATUS, type HttpErrorCode, type HttpErrorParams } from '@fictile/contract';

/** Thrown by services and routes; the error handler turns it into an answer. */
export class Fault extends Error {
  readonly code: string;
  readonly params: object;
  readonly status: number;
  /** more fields for the answer's body */
  readonly more: object;

  constructor(code: keyof typeof STATUS, params: object, more: object = {}) {
    super(code);
    this.code = code;
    this.params = params;
    this.status = STATUS[code];
    this.more = more;
  }
}

export const httpFault = <C extends HttpErrorCode>(code: C, params: HttpErrorParams[C], more?: object): Fault =>
  new Fault(code, params, more);

export const coreFault = (failure: Failure): Fault => new Fault(failure.code, failure.params);
