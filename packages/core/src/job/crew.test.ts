import { quietContext, unwrap, type RunContext } from '../base/index.ts';
import { wordsAlone } from '../document/examples/scenes.ts';
import type { Project } from '../document/index.ts';
import { pieceMesh } from '../evaluate/index.ts';
import { usualStep } from '../steps/index.ts';
import { testEngine } from '../testing/faces.ts';
import { CrewHub, crewMember, type CrewAnswer, type CrewPort } from './crew.ts';

interface Member {
  /** after so many tasks it is gone */
  lasts?: number;
  newest?: number;
}

/** Members on this thread, which see copies alone, as other threads do. */
function crewOf(members: readonly Member[]) {
  const done = members.map(() => 0);
  const ports = members.map(({ lasts = Infinity, newest = 0 }, i): CrewPort => {
    let take: (answer: CrewAnswer) => void = () => undefined;
    let lost = (): void => undefined;
    const work = crewMember(
      () => newest,
      (answer) => take(structuredClone(answer)),
    );
    return {
      listen: (hears, loses) => {
        take = hears;
        lost = loses;
      },
      send: (task) => {
        const copied = structuredClone(task);
        if (done[i]++ < lasts) setImmediate(() => work(copied));
        else setImmediate(() => lost());
      },
    };
  });
  const hub = new CrewHub(
    () => ports,
    () => new Promise((resolve) => setImmediate(resolve)),
  );
  return { done, crew: hub.until(1) };
}

const many: Project = wordsAlone('Hamburg & Kiln', { steps: [{ ...usualStep('bend', 'b'), angleDegrees: 80 }] });

async function built(context: Partial<RunContext>) {
  const engine = await testEngine();
  const evaluated = unwrap(await engine.evaluate(many, 'words', { ...quietContext, ...context }));
  return { mesh: pieceMesh(evaluated), remarks: evaluated.remarks, built: evaluated.built };
}

test.each([1, 2, 3, 5])('the same bytes as alone, with %d others', async (count) => {
  const { crew, done } = crewOf(Array.from({ length: count }, () => ({})));
  const shares: number[] = [];
  expect(await built({ crew, progress: (share) => shares.push(share) })).toEqual(await built({}));
  expect(done.every((tasks) => tasks > 0)).toBe(true);
  expect(shares).toEqual([...shares].sort((a, b) => a - b));
});

test('what a member leaves undone is done here: one that is gone, and one that is told to stop', async () => {
  const { crew } = crewOf([{ lasts: 1 }, { newest: 2 }]);
  expect(await built({ crew })).toEqual(await built({}));
});

test('nothing is handed out once this thread is stopped', async () => {
  const { crew, done } = crewOf([{}, {}]);
  let looks = 0;
  const engine = await testEngine();
  const evaluated = await engine.evaluate(many, 'words', { ...quietContext, crew, cancelled: () => ++looks > 3 });
  expect(evaluated).toMatchObject({ ok: false, error: { code: 'CANCELLED' } });
  const before = [...done];
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(done).toEqual(before);
});

test('what comes first may be done alone, while the others get going', async () => {
  const hub = new CrewHub(
    () => [{ send: () => undefined, listen: () => undefined }],
    () => Promise.resolve(),
    { alone: 1 },
  );
  expect([hub.until(1), hub.until(2)?.size, hub.until(3)?.size]).toEqual([undefined, 1, 1]);
});

test('what can not be copied is left to who asks', async () => {
  const send = (): never => {
    throw new Error('could not be cloned');
  };
  const hub = new CrewHub(
    () => [{ send, listen: () => undefined }],
    () => Promise.resolve(),
  );
  expect(await hub.until(1)?.work('flat', {})).toBeUndefined();
});

test('a name that is no stage makes nothing; where nobody is there, one works alone', async () => {
  const { crew } = crewOf([{}]);
  expect(await crew?.work('constructor', {})).toBeUndefined();
  expect(
    new CrewHub(
      () => [],
      () => Promise.resolve(),
    ).until(1),
  ).toBeUndefined();
});
