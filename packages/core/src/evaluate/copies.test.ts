import { quietContext, unwrap } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import {
  applyEdit,
  newForm,
  newPiece,
  newProject,
  usualForms,
  type Edit,
  type FormShape,
  type Piece,
  type Project,
} from '../document/index.ts';
import { clustersKey } from '../lettering/index.ts';
import { middleOfSide, usualStep } from '../steps/index.ts';
import { testEngine } from '../testing/faces.ts';
import { pieceMesh, type Engine, type Evaluated } from './index.ts';

let engine: Engine;
beforeAll(async () => {
  engine = await testEngine();
});

const at = <P extends Piece>(piece: P, ...atMm: [number, number, number]): P => ({
  ...piece,
  placement: { ...piece.placement, atMm },
});
const cube = (mm: number): FormShape => ({
  kind: 'block',
  ...{ widthMm: mm, heightMm: mm, depthMm: mm, edge: 'plain', edgeMm: 0, taperPercent: 0 },
});
const block = (id: string, mm: number): Piece => newForm(id, id, cube(mm));
const cutBy = (id: string, target: string) => ({ ...usualStep('cut', id), target, operation: 'subtract' as const });
const copyOf = (piece: Piece, id: string): Edit => ({ kind: 'addPiece', piece: { ...piece, id, copyOf: piece.id } });
const run = (project: Project, ...edits: Edit[]): Project => unwrap(applyEdit(project, { kind: 'many', edits }));
const made = async (project: Project, id: string): Promise<Evaluated> =>
  unwrap(await engine.evaluate(project, id, quietContext));
const volume = async (project: Project, id: string): Promise<number> =>
  checkMesh(pieceMesh(await made(project, id))).volumeMm3;
const moved = (pieceId: string, ...atMm: [number, number, number]): Edit => ({
  kind: 'setPlacement',
  pieceId,
  values: { atMm },
});

/** A block of 100 mm with a bite of 20 mm in a corner, its copy far away, and a tool that stands in the copy. */
function bitten(): Project {
  const body: Piece = { ...at(block('body', 100), 0, 0, 0), steps: [cutBy('bite', 'tool')] };
  const pieces = [body, at(block('tool', 40), 50, 80, 50), at(block('other', 40), 450, 80, 50)];
  return run(newProject('p', 'Blocks', pieces), copyOf(body, 'copy'), moved('copy', 500, 0, 0));
}

test('what cuts the source cuts each copy, which shares its mesh where nothing is changed', async () => {
  const project = bitten();
  const [body, copy] = [await made(project, 'body'), await made(project, 'copy')];
  expect(copy.clusters).toBe(body.clusters);
  expect(copy.transform.move).toEqual([body.transform.move[0] + 500, ...body.transform.move.slice(1)]);
  const painted = run(project, { kind: 'setFinish', pieceId: 'copy', slots: ['wall'], values: { gloss: 3 } });
  expect(clustersKey((await made(painted, 'copy')).clusters)).toBe(clustersKey(body.clusters));
});

test('a copy with another shape is bitten as the source would be with it', async () => {
  const form = cube(120);
  const project = run(bitten(), { kind: 'setForm', pieceId: 'copy', form });
  const changed = run(bitten(), { kind: 'setForm', pieceId: 'body', form });
  expect(clustersKey((await made(project, 'copy')).clusters)).toBe(clustersKey((await made(changed, 'body')).clusters));
  expect(await volume(project, 'body')).toBe(await volume(bitten(), 'body'));
});

test('what a copy alone is cut by cuts it where it stands, beside what cuts the source', async () => {
  const project = bitten();
  const { steps } = project.pieces.copy;
  const cut = run(project, { kind: 'setSteps', pieceId: 'copy', steps: [...steps, cutBy('own', 'other')] });
  const [whole, once, twice] = [
    await volume(run(project, { kind: 'setSteps', pieceId: 'body', steps: [] }), 'body'),
    await volume(cut, 'body'),
    await volume(cut, 'copy'),
  ];
  const [bite, own] = [whole - once, once - twice];
  expect(bite).toBeGreaterThan(1000);
  expect(Math.abs(own / bite - 1)).toBeLessThan(1e-4);
});

test('a copy of what is laid on a body keeps its shape and stands by itself, until it is laid otherwise', async () => {
  const words: Piece = {
    ...newPiece('words', 'Kiln', [...'Kiln']),
    steps: [{ ...usualStep('onto', 'onto'), target: 'ball', place: middleOfSide('front') }],
  };
  const ball = newForm('ball', 'Ball', usualForms().ball);
  const project = run(newProject('p', 'Ball', [ball, words]), copyOf(words, 'copy'), moved('copy', 300, 0, 0));
  const [laid, copy] = [await made(project, 'words'), await made(project, 'copy')];
  expect(copy.clusters).toBe(laid.clusters);
  expect(copy.transform.move).not.toEqual(laid.transform.move);
  const typed = run(project, { kind: 'spliceWords', pieceId: 'copy', at: 0, remove: 1, insert: ['O'] });
  const own = await made(typed, 'copy');
  expect([own.transform.move, own.onto !== undefined]).toEqual([copy.transform.move, true]);
  const steps = project.pieces.copy.steps.map((step) => ({ ...step, liftMm: 2 }));
  const lies = run(project, { kind: 'setSteps', pieceId: 'copy', steps });
  expect((await made(lies, 'copy')).transform).toEqual(laid.transform);
});
