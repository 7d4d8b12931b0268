import { withNewStep } from '../../core/src/testing/newStep.ts';

await withNewStep();
const { helpFor } = await import('./help/helpText.ts');
const { caseSchema } = await import('./commands/schema.ts');
const { stepFlagTable, stepTable } = await import('./docs/tables.ts');
const { flagsOf } = await import('./flags.ts');
const { refuseMeaningless } = await import('./meaning.ts');
const { stepsOf } = await import('./stepsOf.ts');

describe('a new kind of step', () => {
  test('has flags that are read, in their turn', async () => {
    const flags = flagsOf({ bend: 30, humps: '4mm', humpsHumps: 3, humpsDownward: true });
    expect(await stepsOf(flags, 'shape')).toMatchObject([
      { kind: 'humps', heightMm: 4, humps: 3, along: 'x', downward: true },
      { kind: 'bend' },
    ]);
    expect(() => flagsOf({ humps: '51mm' })).toThrow('--humps is "51mm"; it takes a length from -50 to 50 mm');
    expect(() => flagsOf({ humpsAlong: 'w' })).toThrow('x, y or z');
    expect(() => refuseMeaningless(flagsOf({ humpsHumps: 3 }), 'obj')).toThrow(
      '--humps-humps says nothing without --humps',
    );
  });

  test('is told by --help, the schema of a case, and the tables of docs', () => {
    expect(helpFor('make')).toContain('--humps LENGTH                  height of humps');
    expect(helpFor('make')).toMatch(/--humps-humps N +how many \(usual: 2\)/);
    expect(caseSchema()).toMatchObject({ properties: { humpsHumps: { type: 'integer', minimum: 1, maximum: 9 } } });
    expect(stepFlagTable()).toContain('| `--humps-along` | `x\\|y\\|z` | along which axis | x |');
    expect(stepTable()).toContain('| `humps` | `heightMm` | -50 to 50 mm | `5` | points |');
  });
});
