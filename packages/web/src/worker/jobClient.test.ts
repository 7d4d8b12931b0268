import { newPiece, newProject, usualWriteOptions, type JobReply } from '@fictile/core';

/** Stands in for a browser's worker; import.meta.url of the client is never loaded by it. */
class FakeWorker {
  static last: FakeWorker;
  readonly posted: { kind: string; serial: number; newest?: SharedArrayBuffer }[] = [];
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
const newest = (): number => Atomics.load(new Int32Array(FakeWorker.last.posted[0].newest as SharedArrayBuffer), 0);

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
  expect(await waiting).toEqual({ kind: 'crashed', message: 'out of memory' });
  const broken = FakeWorker.last;
  void client.ask({ kind: 'check', project, pieceId: 'a' });
  expect(broken.ended && FakeWorker.last !== broken).toBe(true); // the next question starts another
  client.stop();
  expect(FakeWorker.last.ended).toBe(true);
});
