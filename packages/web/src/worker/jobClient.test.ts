import { jest } from '@jest/globals';
import { newPiece, newProject, usualWriteOptions, type JobReply } from '@fictile/core';

/** Stands in for a browser's worker; import.meta.url of the client is never loaded by it. */
class FakeWorker {
  static last: FakeWorker;
  readonly posted: { kind: string; serial: number; shared?: SharedArrayBuffer }[] = [];
  onmessage?: (event: { data: JobReply }) => void;
  onerror?: (event: { message: string }) => void;
  ended = false;

  constructor() {
    FakeWorker.last = this;
  }

  postMessage(message: (typeof this.posted)[number]): void {
    this.posted.push(message);
  }

  terminate(): void {
    this.ended = true;
  }
}
Object.assign(globalThis, { Worker: FakeWorker });
const { JobClient } = await import('./index.ts');

const project = newProject('p', 'Kiln', [newPiece('a', 'Kiln', ['K'])]);
const shared = (): Int32Array => new Int32Array(FakeWorker.last.posted[0].shared as SharedArrayBuffer);
const newest = (): number => Atomics.load(shared(), 0);

test('answers go to who asked, in whatever order they come', async () => {
  const client = new JobClient();
  const first = client.ask({ kind: 'check', project, pieceId: 'a' });
  const second = client.ask({ kind: 'check', project, pieceId: 'a' });
  const [, one, two] = FakeWorker.last.posted;
  const answer = (serial: number, message: string): void =>
    FakeWorker.last.onmessage?.({ data: { serial, kind: 'answer', answer: { kind: 'crashed', message } } as JobReply });
  answer(two.serial, 'two');
  answer(one.serial, 'one');
  expect(await Promise.all([first, second])).toMatchObject([{ message: 'one' }, { message: 'two' }]);
});

test('only an evaluation makes older evaluations give up', () => {
  const client = new JobClient();
  void client.ask({ kind: 'evaluate', project, known: [] });
  const evaluated = FakeWorker.last.posted[1].serial;
  expect(newest()).toBe(evaluated);
  void client.ask({ kind: 'write', project, pieceIds: ['a'], options: usualWriteOptions('obj', 'x') });
  expect(newest()).toBe(evaluated);
});

test('progress is no answer; a crash answers everything that waits', async () => {
  const client = new JobClient();
  const waiting = client.ask({ kind: 'check', project, pieceId: 'a' });
  const { serial } = FakeWorker.last.posted[1];
  FakeWorker.last.onmessage?.({ data: { serial, kind: 'progress', share: 0.5 } });
  FakeWorker.last.onerror?.({ message: 'out of memory' });
  expect(await waiting).toEqual({ kind: 'crashed', message: 'out of memory', why: 'broken' });
  const broken = FakeWorker.last;
  void client.ask({ kind: 'check', project, pieceId: 'a' });
  expect(broken.ended && FakeWorker.last !== broken).toBe(true); // the next question starts another
  client.stop();
  expect(FakeWorker.last.ended).toBe(true);
});

describe('a worker that does not answer', () => {
  const watch = { longMs: 2000, stuckMs: 10_000 };
  const ask = (client: InstanceType<typeof JobClient>) => client.ask({ kind: 'evaluate', project, known: [] });
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  test('is told of when it takes long, as long as it stirs, and can be cancelled', async () => {
    const client = new JobClient({ watch });
    let told = 0;
    client.subscribe(() => told++);
    const waiting = ask(client);
    for (let i = 0; i < 40; i++) {
      Atomics.add(shared(), 1, 1); // a sign of life
      jest.advanceTimersByTime(1000);
    }
    expect([client.isLong, told, FakeWorker.last.ended]).toEqual([true, 1, false]);
    client.cancel();
    expect(await waiting).toMatchObject({ kind: 'crashed', why: 'stopped' });
    expect([client.isLong, told, FakeWorker.last.ended]).toEqual([false, 2, true]);
    client.stop();
  });

  test('is ended when it does not stir any more, and the next question starts another', async () => {
    const client = new JobClient({ watch });
    const stuck = FakeWorker.last;
    const waiting = ask(client);
    jest.advanceTimersByTime(11_000);
    expect(await waiting).toMatchObject({ kind: 'crashed', why: 'stuck' });
    void ask(client);
    expect([stuck.ended, FakeWorker.last === stuck]).toEqual([true, false]);
    client.stop();
  });

  test.each<[string, () => void]>([
    ['its own file', () => FakeWorker.last.onerror?.({ message: '' })],
    ['what it starts with', () => FakeWorker.last.onmessage?.({ data: { kind: 'unstarted', message: 'x' } })],
    [
      'what it loads later',
      () =>
        FakeWorker.last.onmessage?.({
          data: {
            serial: FakeWorker.last.posted[1].serial,
            kind: 'answer',
            answer: { kind: 'crashed', message: 'a part of the application could not be loaded: x' },
          },
        }),
    ],
  ])('says that %s is missing', async (_, miss) => {
    const client = new JobClient({ watch });
    const waiting = ask(client);
    const first = FakeWorker.last;
    miss();
    expect(await waiting).toMatchObject({ kind: 'crashed', why: 'missing' });
    expect(first.ended).toBe(true);
    client.stop();
  });
});
