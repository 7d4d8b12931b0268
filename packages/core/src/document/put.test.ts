import { type CutStep, type Step, usualStep } from '../steps/index.ts';
import { putRows, putStepOf, wayOf, withWay, type Put } from './put.ts';

const bend: Step = { ...usualStep('bend', 'bend'), on: true };
const cut = (id: string, values: Partial<CutStep> = {}): CutStep => ({
  ...usualStep('cut', id),
  target: 'words',
  sinkMm: 3,
  ...values,
});
const onto = { ...usualStep('onto', 'lies'), target: 'slab' };
const put = (values: Partial<Put>): Put => ({
  piece: { id: 'words', steps: [] },
  onto,
  body: { id: 'slab', steps: [bend] },
  way: 'engrave',
  before: undefined,
  freshId: 'new',
  ...values,
});

test('what lies there has no step, what is let in one at the end', () => {
  expect(putRows(put({ way: 'lie' }))).toEqual([{ pieceId: 'words', steps: [onto] }]);
  expect(putRows(put({}))).toEqual([
    { pieceId: 'words', steps: [onto] },
    { pieceId: 'slab', steps: [bend, { ...usualStep('cut', 'new'), target: 'words' }] },
  ]);
});

test('another way keeps all other values and the step’s place in the order', () => {
  const body = { steps: [cut('c'), bend] };
  const lies = withWay(body, 'words', 'lie', { freshId: 'new' });
  expect(lies).toEqual([cut('c', { operation: 'lie' }), bend]);
  expect(wayOf({ steps: lies }, 'words')).toBe('lie');
  expect(withWay({ steps: lies }, 'words', 'raise', { freshId: 'new' })).toEqual([
    cut('c', { operation: 'raise' }),
    bend,
  ]);
});

test('a step that is off is passed over for one that is on, and reads as lying there', () => {
  const off = cut('off', { on: false });
  expect(wayOf({ steps: [off] }, 'words')).toBe('lie');
  expect(putStepOf({ steps: [off, cut('on')] }, 'words')?.id).toBe('on');
  expect(putStepOf({ steps: [off] }, 'others')).toBeUndefined();
});

test('onto another body it takes along what it did to the one before', () => {
  const before = { id: 'jug', steps: [bend, cut('c')] };
  const piece = { id: 'words', steps: [{ ...onto, target: 'jug' }, bend] };
  expect(putRows(put({ piece, before, way: 'through' }))).toEqual([
    { pieceId: 'words', steps: [onto, bend] },
    { pieceId: 'jug', steps: [bend] },
    { pieceId: 'slab', steps: [bend, cut('c', { operation: 'through' })] },
  ]);
});
