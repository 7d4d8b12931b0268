import type { Failure, Remark } from '@fictile/core';
import { FAILURES, REMARKS, sentenceFaults } from '../../core/src/testing/told.ts';
import { faultOf, remarkText } from './messages.ts';

test.each(Object.entries(REMARKS))('%s is told in a sentence', (code, params) => {
  expect(sentenceFaults(remarkText({ code, params } as Remark), params)).toEqual([]);
});

test.each(Object.entries(FAILURES))('%s is told in a sentence, what to do included', (code, params) => {
  const { message } = faultOf({ code, params } as Failure);
  expect(sentenceFaults(message, {})).toEqual([]);
});
