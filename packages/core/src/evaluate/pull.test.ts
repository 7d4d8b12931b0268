import { quietContext, unwrap } from '../base/index.ts';
import { applyEdit, type Project } from '../document/index.ts';
import { bigBall, wordsAlone, wordsOnBody } from '../document/examples/scenes.ts';
import { usualStep, type Step } from '../steps/index.ts';
import { testEngine } from '../testing/faces.ts';
import type { Evaluated } from './evaluated.ts';

const engine = await testEngine();
const evaluate = async (project: Project, preview = false): Promise<Evaluated> =>
  unwrap(await engine.evaluate(project, 'words', quietContext, { preview }));

/** Vertices by where they lay in the flat layout. */
const byRest = ({ clusters }: Evaluated): Map<string, number[]> =>
  new Map(
    clusters.flatMap(({ mesh: { rest, positions } }) =>
      Array.from(rest ?? [], (_, i) => i)
        .filter((i) => i % 3 === 0)
        .map((i) => [[...(rest ?? []).slice(i, i + 3)].join(' '), [...positions.slice(i, i + 3)]] as const),
    ),
  );

const turned = (step: Step): Project => wordsAlone('Hill', { steps: [step] });

test.each<[string, (by: number) => Project]>([
  ['bent', (by) => turned({ ...usualStep('bend', 's'), angleDegrees: 60 + by })],
  ['twisted', (by) => turned({ ...usualStep('twist', 's'), angleDegrees: 40 + by })],
  ['along a line', (by) => turned({ ...usualStep('run', 's'), shiftMm: by })],
  ['waved', (by) => turned({ ...usualStep('wave', 's'), heightMm: 5 + by / 10 })],
  ['on a ball', (by) => wordsOnBody({ form: bigBall, words: { sizeMm: 20 }, onto: { turnDegrees: by } })],
])('what is pulled has the faces of the last exact mesh, its points where exact ones lie: %s', async (_, of) => {
  const first = await evaluate(of(0));
  const pulled = await evaluate(of(7), true);
  expect(pulled.clusters.map(({ pulled: by }) => by?.like)).toEqual(first.clusters.map(({ key }) => key));
  pulled.clusters.forEach(({ mesh }, i) => expect(mesh.faceVertices).toBe(first.clusters[i].mesh.faceVertices));
  const exact = byRest(await evaluate(of(7)));
  let met = 0;
  for (const [rest, at] of byRest(pulled)) {
    const place = exact.get(rest);
    if (!place) continue;
    met++;
    at.forEach((value, k) => expect(Math.abs(value - place[k])).toBeLessThan(0.2));
  }
  expect(met).toBeGreaterThan(50);
});

test('moved outward where it was not before is no pull: which way that is was not looked for', async () => {
  const uneven = (values: object): Project => turned({ ...usualStep('noise', 's'), heightMm: 2, ...values } as Step);
  const isPulled = async (values: object): Promise<boolean> =>
    (await evaluate(uneven(values), true)).clusters.every(({ pulled }) => pulled);
  await evaluate(uneven({ moves: 'x' }));
  expect(await isPulled({ moves: 'outward' })).toBe(false);
  expect(await isPulled({ moves: 'y' })).toBe(true);
  await evaluate(uneven({ moves: 'outward' }));
  // one way and back: what is outward is looked for when it is first asked for
  expect(await isPulled({ moves: 'x' })).toBe(true);
  const back = await evaluate(uneven({ moves: 'outward', heightMm: 2.5 }), true);
  const exact = byRest(await evaluate(uneven({ moves: 'outward', heightMm: 2.5 })));
  const off = [...byRest(back)].flatMap(([rest, at]) => exact.get(rest)?.map((v, k) => Math.abs(v - at[k])) ?? []);
  expect(off.length).toBeGreaterThan(150);
  expect(Math.max(...off)).toBeLessThan(0.4);
});

test('other words, or a step more, are no pull', async () => {
  const bend = { ...usualStep('bend', 's'), angleDegrees: 60 };
  await evaluate(turned(bend));
  const retyped = unwrap(
    applyEdit(turned(bend), { kind: 'spliceWords', pieceId: 'words', at: 0, remove: 1, insert: ['B'] }),
  );
  for (const other of [retyped, wordsAlone('Hill', { steps: [bend, usualStep('subdivide', 'm')] })])
    expect((await evaluate(other, true)).clusters.some(({ pulled }) => pulled)).toBe(false);
});
