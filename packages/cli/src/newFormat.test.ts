import { withNewFormat } from '../../core/src/testing/newFormat.ts';

await withNewFormat();
const { flagsOf } = await import('./flags.ts');
const { refuseMeaningless } = await import('./meaning.ts');
const { formatOf } = await import('./output.ts');

test('a format that only writes is taken by its ending, with the flags that it can hold', () => {
  const format = formatOf('row.dots');
  expect(() => formatOf('row.spots')).toThrow('Use .obj, .stl, .ply, .glb, .dots.');
  expect(() => refuseMeaningless(flagsOf({ outUnit: 'cm' }), format)).not.toThrow();
  expect(() => refuseMeaningless(flagsOf({ levels: 2 }), format)).toThrow(
    '--levels says nothing in .dots: it goes into .obj or .glb',
  );
});
