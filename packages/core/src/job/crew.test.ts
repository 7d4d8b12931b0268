import { quietContext, sha256Hex, unwrap, type RunContext } from '../base/index.ts';
import { wordsAlone } from '../document/examples/scenes.ts';
import type { Project } from '../document/index.ts';
import { pieceMesh, type Engine, type MovedBuffers } from '../evaluate/index.ts';
import { usualStep, type Step } from '../steps/index.ts';
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

const shaped = (step: Step): Project => wordsAlone('Hamburg & Kiln', { steps: [step] });
const many = shaped({ ...usualStep('bend', 'b'), angleDegrees: 80 });
const uneven = (heightMm: number): Project => shaped({ ...usualStep('noise', 'n'), heightMm });

async function built(context: Partial<RunContext>, project = many) {
  const engine = await testEngine();
  const evaluated = unwrap(await engine.evaluate(project, 'words', { ...quietContext, ...context }));
  return { mesh: pieceMesh(evaluated), remarks: evaluated.remarks, built: evaluated.built };
}

test.each([1, 2, 3, 5])('the same bytes as alone, with %d others', async (count) => {
  const { crew, done } = crewOf(Array.from({ length: count }, () => ({})));
  const shares: number[] = [];
  expect(await built({ crew, progress: (share) => shares.push(share) })).toEqual(await built({}));
  expect(done.every((tasks) => tasks > 0)).toBe(true);
  expect(shares).toEqual([...shares].sort((a, b) => a - b));
});

test('the same bytes as alone where points move outward, which others are told from a grid', async () => {
  const { crew, done } = crewOf([{}, {}]);
  expect(await built({ crew }, uneven(2))).toEqual(await built({}, uneven(2)));
  expect(done.every((tasks) => tasks > 0)).toBe(true);
});

const line = (shiftMm: number): Project =>
  shaped({ ...usualStep('run', 'r'), shiftMm, path: { kind: 'ring', radiusMm: 90 } });

/** One word a row: matchers take seconds for a hundred thousand numbers. */
const sumsOf = (made: readonly (MovedBuffers | undefined)[]): (string | undefined)[] =>
  made.map((rows) => rows && sha256Hex(new Uint8Array(new Float32Array([...rows.positions, ...rows.normals]).buffer)));

test.each([
  ['uneven', uneven],
  ['along a line', line],
])('what is pulled with others comes to lie as alone, on two sides in turn: %s', async (_, of) => {
  const { crew, done } = crewOf([{}, {}]);
  const [shared, alone] = [await testEngine(), await testEngine()];
  const pulled = async (value: number, preview = true): Promise<(MovedBuffers | undefined)[]> => {
    const ask = async (engine: Engine, context: RunContext) =>
      unwrap(await engine.evaluate(of(value), 'words', context, { preview })).clusters.map(
        (cluster) => cluster.pulled?.moved,
      );
    const made = await ask(shared, { ...quietContext, crew });
    expect(sumsOf(made)).toEqual(sumsOf(await ask(alone, quietContext)));
    return made;
  };
  expect(await pulled(2, false)).toContain(undefined);
  const before = [...done];
  const [first, second, third] = [await pulled(2.5), await pulled(3), await pulled(2.5)];
  expect(done.every((tasks, i) => tasks > before[i])).toBe(true);
  const at = (made: typeof first, i: number): Float32Array | undefined => made[i]?.positions;
  first.forEach((_, i) =>
    expect([at(first, i) === at(second, i), at(first, i) === at(third, i)]).toEqual([false, true]),
  );
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
