import { withNewStep } from '../testing/newStep.ts';

await withNewStep();
const { applyEdit, newPiece, newProject, parseProject, startHistory, commit, undo } =
  await import('../document/index.ts');
const { Engine, pieceMesh } = await import('../evaluate/index.ts');
const { quietContext, unwrap } = await import('../base/index.ts');
const { startStep, stepSchema, usualStep } = await import('./index.ts');
const { testTools } = await import('../testing/faces.ts');
const { boxOfPoints } = await import('../math/index.ts');

type Kind = Parameters<typeof usualStep>[0];
const KIND = 'humps' as Kind;
const withSteps = (...steps: object[]) =>
  newProject('p', 'Kiln', [{ ...newPiece('a', 'I', ['I']), steps: steps as never }]);

describe('a new kind of step', () => {
  test('has usual values, within its ranges, as large as suits a piece', () => {
    expect(usualStep(KIND, 's')).toEqual({
      id: 's',
      on: true,
      kind: 'humps',
      heightMm: 5,
      along: 'x',
      humps: 2,
      downward: false,
    });
    const flat = { low: [0, 0, 0], high: [200, 80, 10] } as {
      low: [number, number, number];
      high: [number, number, number];
    };
    expect(startStep(KIND, 's', { flat, isBody: false, bodies: [] })).toMatchObject({ heightMm: 8 });
    expect(stepSchema.safeParse({ ...usualStep(KIND, 's'), humps: 10 }).success).toBe(false);
  });

  test('is kept in a file, undone, and refused where a value lies outside', () => {
    const project = withSteps(usualStep(KIND, 's'));
    expect(unwrap(parseProject(JSON.parse(JSON.stringify(project)))).pieces.a.steps).toEqual(project.pieces.a.steps);
    const set = (humps: number) => ({
      kind: 'setSteps' as const,
      pieceId: 'a',
      steps: [{ ...usualStep(KIND, 's'), humps } as never],
    });
    const history = unwrap(commit(startHistory(project), set(3)));
    expect(history.project.pieces.a.steps).toMatchObject([{ humps: 3 }]);
    expect(undo(history).project.pieces.a.steps).toEqual(project.pieces.a.steps);
    expect(applyEdit(project, set(0))).toMatchObject({ ok: false });
  });

  test('does what it says, and each of its values makes another mesh', async () => {
    const engine = new Engine(await testTools());
    const high = async (...steps: object[]): Promise<number> => {
      const mesh = pieceMesh(unwrap(await engine.evaluate(withSteps(...steps), 'a', quietContext)));
      return boxOfPoints(mesh.positions).high[2];
    };
    const keys = async (values: object): Promise<string> =>
      unwrap(await engine.evaluate(withSteps({ ...usualStep(KIND, 's'), ...values }), 'a', quietContext)).clusters[0]
        .key;
    const flat = await high();
    expect(await high(usualStep(KIND, 's'))).toBeCloseTo(flat + 5, 1);
    const made = await Promise.all([{}, { heightMm: 6 }, { along: 'y' }, { humps: 3 }, { downward: true }].map(keys));
    expect(new Set(made).size).toBe(5);
    expect(await keys({})).toBe(made[0]);
  });
});
