import { middleOfSide, usualStep } from '../../steps/index.ts';
import { remark, type CutFault, type Remark } from '../../base/index.ts';
import { applyEdit } from '../edits.ts';
import { newForm, newPiece, newProject } from '../defaults.ts';
import { usualForms } from '../../form/index.ts';
import type { Project } from '../schema.ts';
import { cureOf } from './remarkOf.ts';

// what no small case makes at will: that the cure says what it does, and does no more

const onto = { ...usualStep('onto', 'lies'), target: 'body', place: middleOfSide('front') };
const cut = { ...usualStep('cut', 'cut'), target: 'words' };

function scene(isLocked = false): Project {
  const words = { ...newPiece('words', 'IL', ['I', 'L']), steps: [onto], locked: isLocked };
  return newProject('p', 'Row', [words, { ...newForm('body', 'Slab', usualForms().block), steps: [cut] }]);
}

const refused = (why: CutFault) => remark('CUT_LEFT_OUT', { stepId: 'cut', why });

function pressed(told: Parameters<typeof cureOf>[0], project = scene()) {
  const cure = cureOf(told, project.pieces.body, { pieces: project.pieces, freshId: 'fresh' });
  const done = cure && applyEdit(project, { kind: 'many', edits: cure.edits });
  return { what: cure?.what, pieces: done?.ok ? done.value.pieces : undefined };
}

test.each<[string, Remark]>([
  ['rounded', remark('CUT_ROUNDS', { stepId: 'cut' })],
  ['kernel', refused('kernel')],
  ['result', refused('result')],
])('%s: the words are moved by a twentieth of a mm, across and up', (_, told) => {
  const { what, pieces } = pressed(told);
  expect(what).toBe('MOVE_A_LITTLE');
  expect(pieces?.words.steps).toEqual([{ ...onto, place: { ...onto.place, acrossMm: 0.05, upMm: 0.05 } }]);
  expect(pieces?.body.steps).toEqual([cut]);
  expect(pressed(told, scene(true)).what).toBeUndefined();
});

test.each([
  ['large', 'FEWER_FACES', 'reduce'],
  ['fine', 'JOIN_POINTS', 'join'],
  ['volume', 'MAKE_SOLID', 'recast'],
] as const)('%s: one more step before the cut', (why, what, kind) => {
  const made = pressed(refused(why));
  expect(made.what).toBe(what);
  expect(made.pieces?.body.steps).toMatchObject([{ kind, id: 'fresh' }, cut]);
  expect(made.pieces?.words.steps).toEqual([onto]);
});
