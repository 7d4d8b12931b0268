import {
  applyEdit,
  newForm,
  newPiece,
  newProject,
  ontoStepOf,
  unwrap,
  usualForms,
  usualStep,
  type Project,
  type ShownPiece,
  type Step,
} from '@fictile/core';
import {
  begun,
  bodiesFor,
  inFront,
  lettersFor,
  newWords,
  putEdits,
  settled,
  shownOnTheWay,
  sizeOn,
} from './onTheWay.ts';

const slab = { ...newForm('slab', 'Slab', usualForms().block) };
const project = (steps: Record<string, Step[]> = {}): Project =>
  newProject(
    'p',
    'Kiln',
    [newPiece('words', 'Row', [...'Row']), slab, newForm('jug', 'Jug', usualForms().jug)].map((piece) => ({
      ...piece,
      steps: steps[piece.id] ?? [],
    })),
  );
const taken = (state: Parameters<typeof putEdits>[0], before: Project): Project =>
  unwrap(applyEdit(before, { kind: 'many', edits: putEdits(state, before, state.way) }));

/** As the surface is there, of words so wide. */
const built = (targetId: string, advice: object, wide = 100): ShownPiece =>
  ({
    pieceId: 'words',
    onto: { targetId, advice, options: { box: { low: [0, 0, 0], high: [wide, 20, 5] } } },
  }) as unknown as ShownPiece;

test('on its way it lies there, and nothing is in the document; taken it is let in', () => {
  const before = project();
  const state = begun(before, { pieceId: 'words', bodyId: 'slab' });
  const meanwhile = shownOnTheWay(state, before);
  expect(ontoStepOf(meanwhile.pieces.words)).toMatchObject({
    target: 'slab',
    heldBy: 'middle',
    place: { side: 'front', acrossMm: 0 },
  });
  expect(meanwhile.pieces.slab).toBe(before.pieces.slab);
  const after = taken(state, before);
  expect(after.pieces.slab.steps).toMatchObject([{ kind: 'cut', operation: 'engrave', target: 'words' }]);
  expect(after.pieces.jug).toBe(before.pieces.jug);
});

test('the surface says how it lies and how large it is, until a person does', () => {
  const before = project();
  const state = begun(before, { pieceId: 'words', bodyId: 'jug' });
  const shown = built('jug', { method: 'round', why: 'bends', wideMm: 120, tallMm: 200 });
  const first = settled(state, before, shown);
  expect(first).toMatchObject({ method: 'round', isSized: true });
  expect(first.scale).toBeCloseTo((2 / 3) * 1.2);
  expect(sizeOn(first, before.pieces.words)).toBeCloseTo(57.6);
  expect(settled(first, before, built('jug', { method: 'flat', why: 'flat', wideMm: 10, tallMm: 10 }))).toMatchObject({
    method: 'flat',
    scale: first.scale,
  });
  const chosen = { ...state, method: 'direction' as const, isMethodChosen: true, isSized: true };
  expect(settled(chosen, before, shown)).toEqual(chosen);
  // what was built on another body says nothing of this one
  expect(settled(state, before, built('slab', { method: 'round', wideMm: 1, tallMm: 1 }))).toBe(state);
});

test('a size that a person gave stays where it fits', () => {
  const before = unwrap(applyEdit(project(), { kind: 'setWords', pieceId: 'words', values: { sizeMm: 30 } }));
  const state = begun(before, { pieceId: 'words', bodyId: 'jug' });
  expect(settled(state, before, built('jug', { method: 'round', wideMm: 120, tallMm: 200 })).scale).toBe(1);
  expect(settled(state, before, built('jug', { method: 'round', wideMm: 60, tallMm: 200 })).scale).toBeCloseTo(0.4);
});

test('moved to another body it takes its way along; its size, its method and all else stay', () => {
  const onto = { ...usualStep('onto', 'o'), target: 'slab', method: 'closest' as const, liftMm: 1 };
  const cut = { ...usualStep('cut', 'c'), target: 'words', operation: 'raise' as const, softMm: 2 };
  const before = project({ words: [onto], slab: [cut] });
  const state = { ...begun(before, { pieceId: 'words' }), held: inFront('jug') };
  expect(state).toMatchObject({ way: 'raise', isMethodChosen: true, isSized: true });
  const after = taken(state, before);
  expect(after.pieces.slab.steps).toEqual([]);
  expect(after.pieces.jug.steps).toEqual([cut]);
  expect(after.pieces.words.steps).toMatchObject([{ id: 'o', target: 'jug', method: 'closest', liftMm: 1 }]);
  expect(after.pieces.words.source).toBe(before.pieces.words.source);
});

test('words that come with it are added only when they are put', () => {
  const before = project();
  const state = begun(before, { made: newWords(), bodyId: 'slab', way: 'lie' });
  expect(shownOnTheWay(state, before).pieceOrder).toHaveLength(4);
  const after = taken({ ...state, scale: 0.5 }, before);
  expect(after.pieces[after.pieceOrder[3]]).toMatchObject({
    source: { sizeMm: 36 },
    body: { solid: { depthMm: 9 } },
    steps: [{ target: 'slab' }],
  });
});

test('nothing is put on what stands on it, or is locked, or hidden; a panel made round it may take it', () => {
  const onWords = { ...usualStep('onto', 'o'), target: 'words' };
  const before = project({ jug: [onWords] });
  const panel = newForm('panel', 'Panel', { ...usualForms().panel, around: 'words' } as never);
  const all = unwrap(applyEdit(before, { kind: 'addPiece', piece: panel }));
  expect(bodiesFor(all, 'words').map(({ id }) => id)).toEqual(['slab', 'panel']);
  const locked = unwrap(applyEdit(all, { kind: 'setPiece', pieceId: 'slab', values: { locked: true } }));
  expect(bodiesFor(locked, 'words').map(({ id }) => id)).toEqual(['panel']);
  expect(lettersFor(all, 'slab').map(({ id }) => id)).toEqual(['words']);
});
