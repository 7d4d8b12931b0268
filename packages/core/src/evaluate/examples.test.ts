import { quietContext, unwrap, type RemarkCode } from '../base/index.ts';
import { applyEdit, cureOf, exampleOf, REMARK_CODES, type Project } from '../document/index.ts';
import { testEngine } from '../testing/faces.ts';

/** What is told of an example by its code, and what helps. */
async function toldOf(project: Project, pieceId: string, code: RemarkCode) {
  const engine = await testEngine();
  const { remarks } = unwrap(await engine.evaluate(project, pieceId, quietContext));
  const live = remarks.filter((one) => one.code === code);
  const cures = live.map((one) => cureOf(one, project.pieces[pieceId], { pieces: project.pieces, freshId: 'fresh' }));
  return { live, cure: cures.find((one) => one !== undefined) };
}

test.each(REMARK_CODES)('the example of %s brings it about, and its cure takes it away or leads on', async (code) => {
  const { project, pieceId, told } = exampleOf(code);
  const { live, cure } = await toldOf(project, pieceId, code);
  // what an example brings about by itself nobody writes down, and the other way round
  expect(live.length > 0).toBe(told === undefined);
  if (!cure) return;
  const after = unwrap(applyEdit(project, { kind: 'many', edits: cure.edits }));
  // pressed again it would not do the same once more
  expect((await toldOf(after, pieceId, code)).cure).not.toEqual(cure);
});
