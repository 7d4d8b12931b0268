import { ByteCache } from './byteCache.ts';
import { Memo, QuickMemo } from './memo.ts';
import { StageLog } from './stageLog.ts';

/** A clock that runs on by what is worked. */
function clock() {
  let at = 0;
  const log = new StageLog(() => at);
  return { log, work: (ms: number): void => void (at += ms) };
}

test('a stage inside another is counted for itself alone, whatever becomes of it', async () => {
  const { log, work } = clock();
  await log.make('cut', async () => {
    work(2);
    log.make('plan', () => work(5));
    await Promise.resolve();
    expect(() =>
      log.make('plan', () => {
        work(1);
        throw new Error('no');
      }),
    ).toThrow('no');
    work(3);
  });
  expect(log.take()).toEqual([
    { name: 'plan', made: 2, found: 0, ms: 6 },
    { name: 'cut', made: 1, found: 0, ms: 5 },
  ]);
  expect(log.take()).toEqual([]);
});

test('memos say what they made and what they had at hand', async () => {
  const { log, work } = clock();
  const make = ({ ms }: { ms: number }): number => {
    work(ms);
    return ms;
  };
  const stage = { name: 'quick', make, bytesOf: () => 1 };
  const quick = new QuickMemo(stage, new ByteCache<number>(10), log);
  const slow = new Memo({ ...stage, name: 'slow' }, new ByteCache<number>(10), log);
  for (const ms of [4, 4, 7]) quick.get({ ms }, undefined);
  for (const ms of [1, 1]) await slow.get({ ms }, undefined);
  expect(log.take()).toEqual([
    { name: 'quick', made: 2, found: 1, ms: 11 },
    { name: 'slow', made: 1, found: 1, ms: 1 },
  ]);
});
