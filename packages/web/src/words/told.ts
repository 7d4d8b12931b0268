import type { Failure, Remark } from '@fictile/core';
import * as words from '@fictile/words';

export const remarkText = (remark: Remark): string => words.remarkText(remark, 'page');
export const failureText = (failure: Failure): string => words.failureText(failure, 'page');
