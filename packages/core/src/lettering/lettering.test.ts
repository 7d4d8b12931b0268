import { quietContext, type RunContext } from '../base/index.ts';
import { checkMesh } from '../check/index.ts';
import { alone, shippedFaces } from '../testing/faces.ts';
import { usualLayout } from '../testing/layouts.ts';
import { edgeOfWire, wireEdge, type EdgeShape } from '../solid/index.ts';
import { layoutWords, splitGraphemes, type FontFace, type LayoutOptions } from '../text/index.ts';
import { assemble, buildLettering, letteringCaches, type Lettering, type LetteringOptions } from './index.ts';

const EDGE = { kind: 'round', inMm: 2, deepMm: 2, steps: 2 } as const;
const SOLID = { depthMm: 18, front: EDGE, back: { ...EDGE, kind: 'plain' as const } };
const USUAL: LetteringOptions = {
  solid: SOLID,
  ownSolids: new Map(),
  depthAnchor: 'back',
  toleranceMm: 0.2,
  apart: false,
  bands: undefined,
  seed: 1,
  faceBudget: 100_000,
};
let faces: FontFace[];
let caches = letteringCaches(32e6);
beforeAll(async () => {
  faces = await shippedFaces();
});
beforeEach(() => {
  caches = letteringCaches(32e6);
});

interface Choices {
  font?: string;
  layout?: Partial<LayoutOptions>;
  options?: Partial<LetteringOptions>;
  context?: RunContext;
}

async function build(text: string, { font = 'Zilla Slab', layout = {}, options = {}, context }: Choices = {}) {
  const face = faces.find((f) => f.name === font) as FontFace;
  const graphemes = splitGraphemes(text).map((t, i) => ({ id: i + 1, text: t }));
  const laid = layoutWords(graphemes, alone(face), usualLayout(layout));
  return buildLettering(laid, { ...USUAL, ...options }, { caches, context: context ?? quietContext });
}

const built = async (text: string, choices?: Choices): Promise<Lettering> => (await build(text, choices)) as Lettering;
const codes = (lettering: Lettering): string[] => lettering.remarks.map((r) => r.code);

describe('faces', () => {
  test('tiny ones are told before they are laid out', async () => {
    const lettering = await built('Kiln', { options: { faces: { kind: 'flow', sizeMm: 0.01 } } });
    expect(codes(lettering)).toEqual(['OVER_BUDGET']);
    expect(lettering.built.wavefronts).toBe(0);
  });

  test('equal letters of one lettering share their flow; on a grid only those at equal places do', async () => {
    const apart = { tracking: 100 };
    const flow = await built('nn', { layout: apart, options: { faces: { kind: 'flow', sizeMm: 4 } } });
    expect(flow.clusters[0].mesh).toBe(flow.clusters[1].mesh);
    const grid = await built('nn', { layout: apart, options: { faces: { kind: 'grid', sizeMm: 4 } } });
    expect(grid.clusters[0].mesh).not.toBe(grid.clusters[1].mesh);
  });

  test('bands are even over the whole lettering', async () => {
    const bands = 7;
    const mesh = assemble(
      (await built('Il', { options: { faces: { kind: 'bands', count: bands, axis: 'x' } } })).clusters,
    );
    const xs = Array.from(mesh.positions).filter((_, i) => i % 3 === 0);
    const [low, high] = [Math.min(...xs), Math.max(...xs)];
    for (let k = 1; k < bands; k++) {
      const line = low + ((high - low) * k) / bands;
      for (let f = 0; f + 1 < mesh.faceStart.length; f++) {
        const own = Array.from(
          mesh.faceVertices.subarray(mesh.faceStart[f], mesh.faceStart[f + 1]),
          (v) => mesh.positions[3 * v],
        );
        expect(Math.max(...own) > line + 1e-3 && Math.min(...own) < line - 1e-3).toBe(false);
      }
    }
  });

  test('letters of a joined word keep their own faces', async () => {
    const { clusters } = await built('kiln', { font: 'Pacifico', options: { faces: { kind: 'flow', sizeMm: 4 } } });
    expect(
      new Set(
        assemble(clusters)
          .regions.filter(({ part }) => part === 'front')
          .map(({ letter }) => letter),
      ),
    ).toEqual(new Set([0, 1, 2, 3]));
  });
});

describe('clusters', () => {
  test('letters that stand apart are clusters of one, in reading order', async () => {
    const { clusters } = await built('Kiln', { layout: { tracking: 100 } });
    expect(clusters.map((c) => c.letters)).toEqual([[0], [1], [2], [3]]);
    expect(clusters.map((c) => c.x)).toEqual([...clusters.map((c) => c.x)].sort((a, b) => a - b));
  });

  test('a joining script is one solid, and every letter is still found in it', async () => {
    const { clusters } = await built('kiln', { font: 'Pacifico' });
    expect(clusters).toHaveLength(1);
    const mesh = assemble(clusters);
    expect(new Set(mesh.regions.map((r) => r.letter))).toEqual(new Set([0, 1, 2, 3]));
    expect(checkMesh(mesh)).toMatchObject({ shells: 2, closed: true, manifold: true, crossingFaces: 0 });
  });

  test('a letter pushed into its neighbour joins it; apart, both stay and are named', async () => {
    const layout = { tracking: -400 };
    const joined = await built('HIH', { layout });
    expect(joined.clusters.map((c) => c.letters)).toEqual([[0, 1, 2]]);
    expect(checkMesh(assemble(joined.clusters)).crossingFaces).toBe(0);
    const apart = await built('HIH', { layout, options: { apart: true } });
    expect(apart.clusters).toHaveLength(3);
    expect(apart.remarks).toContainEqual({ code: 'LETTERS_CROSS', params: { letters: 'H I H' } });
  });

  test.each(['FGJq', 'EGdo', 'TAVy', 'k7K'])(
    '%s: corners that grow towards each other are one solid; apart, they are told',
    async (text) => {
      // edges meet further out at corners than along edges: letters that are just farther apart than twice the edge
      for (const corners of ['sharp', 'cut', 'round'] as const) {
        for (const inMm of [1, 2, 3, 4, 5]) {
          const front = { kind: 'chamfer', inMm, deepMm: 3, steps: 1 } as const;
          const options = { solid: { ...SOLID, front, shiftMm: -inMm }, corners };
          const joined = await built(text, { options });
          expect([corners, inMm, codes(joined)]).toEqual([corners, inMm, []]);
          expect(checkMesh(assemble(joined.clusters))).toMatchObject({ crossingFaces: 0, manifold: true });
          const apart = await built(text, { options: { ...options, apart: true } });
          const crossing = checkMesh(assemble(apart.clusters)).crossingFaces > 0;
          expect([corners, inMm, codes(apart)]).toEqual([corners, inMm, crossing ? ['LETTERS_CROSS'] : []]);
        }
      }
    },
  );

  test('spaces have no solid; words without ink have none at all', async () => {
    expect((await built('a b')).clusters).toHaveLength(2);
    expect((await built('  \n ')).clusters).toEqual([]);
  });

  test('equal letters share one mesh', async () => {
    const { clusters, built: stats } = await built('oo', { layout: { tracking: 200 } });
    expect(clusters[0].mesh).toBe(clusters[1].mesh);
    expect(stats).toEqual({ clusters: 2, wavefronts: 1, lifted: 1 });
  });
});

describe('what is built anew', () => {
  const layout = { tracking: 100 };
  test('nothing for the same words', async () => {
    await built('Glaze', { layout });
    expect((await built('Glaze', { layout })).built).toEqual({ clusters: 5, wavefronts: 0, lifted: 0 });
  });

  test('one cluster for one letter', async () => {
    await built('Glaze', { layout });
    expect((await built('Glare', { layout })).built).toEqual({ clusters: 5, wavefronts: 1, lifted: 1 });
  });

  test('only the lift for another depth', async () => {
    await built('Glaze', { layout });
    const deeper = await built('Glaze', { layout, options: { solid: { ...SOLID, depthMm: 30 } } });
    expect(deeper.built).toEqual({ clusters: 5, wavefronts: 0, lifted: 5 });
  });
});

describe('places', () => {
  test.each([
    ['back', 0, 18],
    ['middle', -9, 9],
    ['front', -18, 0],
  ] as const)('depth anchored at the %s', async (depthAnchor, low, high) => {
    const { positions } = assemble((await built('I', { options: { depthAnchor } })).clusters);
    const z = positions.filter((_, i) => i % 3 === 2);
    expect([Math.min(...z), Math.max(...z)]).toEqual([low, high]);
  });

  test('a cluster alone is the same as in the whole, but for its place', async () => {
    const { clusters } = await built('Ki', { layout: { tracking: 100 } });
    const whole = assemble(clusters);
    const first = clusters[0].mesh.positions.length;
    clusters[1].mesh.positions.forEach((value, i) =>
      expect(whole.positions[first + i]).toBe(value + [clusters[1].x, clusters[1].y, clusters[1].z][i % 3]),
    );
  });
});

describe('remarks', () => {
  test('a ridge names the letters, each once', async () => {
    const { remarks } = await built('Hill', { options: { solid: { ...SOLID, front: { ...EDGE, inMm: 40 } } } });
    expect(remarks).toContainEqual({ code: 'EDGE_MEETS', params: { letters: 'H i l' } });
  });

  test('a sheet is told and open', async () => {
    const sheet = await built('K', { options: { solid: { ...SOLID, depthMm: 0 } } });
    expect(codes(sheet)).toEqual(['FLAT_SHEET']);
    const report = checkMesh(assemble(sheet.clusters));
    expect(report).toMatchObject({ closed: false, crossingFaces: 0 });
    expect(report.sizeMm[2]).toBe(0);
  });

  test('beyond the budget nothing is built, and about how much it would be is told', async () => {
    const whole = assemble((await built('Kiln opening')).clusters).faceStart.length - 1;
    const held = await built('Kiln opening', { options: { faceBudget: 1000 } });
    expect(held.clusters).toEqual([]);
    const [told] = held.remarks;
    expect(told).toMatchObject({ code: 'OVER_BUDGET', params: { budget: 1000 } });
    const { faces: estimate } = told.params as { faces: number };
    expect(estimate / whole).toBeGreaterThan(0.4);
    expect(estimate / whole).toBeLessThan(2.5);
  });
});

test('a cancelled run gives nothing, and what it built stays for the next', async () => {
  let asked = 0;
  const context = { ...quietContext, cancelled: () => ++asked > 2 };
  expect(await build('Kiln', { layout: { tracking: 100 }, context })).toBeUndefined();
  expect((await built('Kiln', { layout: { tracking: 100 } })).built.wavefronts).toBe(2);
});

test('the same words give the same mesh, whatever was built before', async () => {
  const cold = assemble((await built('Saltglaze', { font: 'Work Sans' })).clusters);
  caches = letteringCaches(32e6);
  await built('glaze salt', { font: 'Work Sans' });
  const warm = assemble((await built('Saltglaze', { font: 'Work Sans' })).clusters);
  expect(warm).toEqual(cold);
});

describe('hollow letters', () => {
  const hollow = (outward: number, wide: number, more: Partial<LetteringOptions> = {}): Choices => ({
    options: {
      solid: { ...SOLID, depthMm: 10, front: { ...EDGE, kind: 'plain' } as const },
      bands: { outward, wide, count: 1, gap: 1, join: 'miter' as const },
      ...more,
    },
  });
  const volume = async (text: string, choices: Choices): Promise<number> =>
    checkMesh(assemble((await built(text, choices)).clusters)).volumeMm3;

  test.each([
    ['inside', 0],
    ['in the middle', 1],
    ['outside', 2],
  ])('a wall %s is sound, and as wide as it is asked for', async (_, outward) => {
    const { clusters, remarks } = await built('L', hollow(outward, 2));
    const report = checkMesh(assemble(clusters));
    expect(report).toMatchObject({ shells: 1, closed: true, manifold: true, outward: true, crossingFaces: 0 });
    expect(remarks).toEqual([]);
    // what lies inside the wall is what a letter drawn narrower by it would be
    const full = await volume('L', hollow(outward, 500));
    const inner = full - report.volumeMm3;
    const wider = await volume('L', hollow(outward, 2.5));
    expect(full - wider).toBeLessThan(inner);
  });

  test('the wall of a bar is as wide as it is asked for, to the grid', async () => {
    const bar = { font: 'Work Sans', ...hollow(0, 1) }; // its bar is a plain rectangle
    const [wide, high] = checkMesh(assemble((await built('|', bar)).clusters)).sizeMm;
    expect((await volume('|', bar)) / 10).toBeCloseTo(wide * high - (wide - 2) * (high - 2), 6);
  });

  test('several contours, one in the other', async () => {
    const { clusters } = await built(
      'O',
      hollow(0, 1, { bands: { outward: 0, wide: 1, count: 3, gap: 1, join: 'miter' } }),
    );
    // along either rim
    expect(checkMesh(assemble(clusters))).toMatchObject({ shells: 6, closed: true, crossingFaces: 0 });
  });

  test('strokes thinner than the wall stay full, and that is told, from the cache too', async () => {
    for (let i = 0; i < 2; i++)
      expect((await built('Il', hollow(0, 40))).remarks).toEqual([{ code: 'WALL_FILLS', params: { letters: 'I l' } }]);
  });

  test('letters that grow into each other share their contour', async () => {
    const near = { ...hollow(6, 2), layout: { tracking: -20 } };
    const { clusters } = await built('HH', near);
    expect(clusters).toHaveLength(1);
    expect(checkMesh(assemble(clusters))).toMatchObject({ closed: true, manifold: true, crossingFaces: 0 });
    expect(new Set(assemble(clusters).regions.map((r) => r.letter))).toEqual(new Set([0, 1]));
  });

  test('letters that were apart when they were full are found to meet when they grow', async () => {
    const near = { layout: { tracking: -20 } };
    expect((await built('HH', near)).clusters).toHaveLength(2);
    expect((await built('HH', { ...near, ...hollow(6, 2) })).clusters).toHaveLength(1);
  });
});

describe('wires', () => {
  const wire = (thickMm: number, sides: number): Choices => {
    const edge = wireEdge(thickMm, sides);
    return {
      options: {
        solid: { depthMm: thickMm, front: edge, back: edge },
        bands: { outward: thickMm / 2, wide: thickMm, count: 1, gap: 0, join: 'round' },
      },
    };
  };

  test.each([4, 8, 16, 64])('with %i sides are sound, and as thick one way as the other', async (sides) => {
    const { clusters, remarks } = await built('O', wire(3, sides));
    const report = checkMesh(assemble(clusters));
    expect(report).toMatchObject({ shells: 2, closed: true, manifold: true, outward: true, crossingFaces: 0 });
    expect(report.sizeMm[2]).toBeCloseTo(3, 3);
    expect(remarks).toEqual([]);
  });

  test.each<[string, EdgeShape, number]>([
    ['a chamfer is a square on its corner', { kind: 'chamfer', inMm: 9, deepMm: 9, steps: 1 }, 0.5],
    ['a plain one is a square', { kind: 'plain', inMm: 9, deepMm: 9, steps: 1 }, 1],
    ['a round one is a disc', { kind: 'round', inMm: 1, deepMm: 3, steps: 16 }, Math.PI / 4],
    // it comes out level: a twentieth is left for the wall that it ends on
    ['a scooped one is a star', { kind: 'cove', inMm: 1, deepMm: 3, steps: 16 }, 0.95 * (1 - Math.PI / 4) + 0.05],
  ])('by its front edge: %s', async (_, edge, share) => {
    const front = edgeOfWire(2, edge);
    const { options } = wire(2, 8);
    const { clusters, remarks } = await built('|', {
      font: 'Work Sans',
      options: { ...options, solid: { depthMm: 2, front, back: front } },
    });
    const { volumeMm3, closed, crossingFaces, sizeMm } = checkMesh(assemble(clusters));
    expect({ closed, crossingFaces, remarks }).toEqual({ closed: true, crossingFaces: 0, remarks: expect.anything() });
    expect(sizeMm[2]).toBeCloseTo(2, 3);
    const [wide, high] = checkMesh(assemble((await built('|', { font: 'Work Sans' })).clusters)).sizeMm;
    expect(Math.abs(volumeMm3 / (share * 4 * 2 * (wide + high)) - 1)).toBeLessThan(0.06);
  });

  test('a straight one has the section of its polygon', async () => {
    // all walls of a bar are straight; at its four corners half of a turned body each is missing or added
    const bar = { font: 'Work Sans', ...wire(1, 8) };
    const { volumeMm3 } = checkMesh(assemble((await built('|', bar)).clusters));
    const [wide, high] = checkMesh(assemble((await built('|', { font: 'Work Sans' })).clusters)).sizeMm;
    const section = 2 * Math.tan(Math.PI / 8); // of a regular octagon with flats 1 apart: 2 tan(pi / 8) of its square
    expect(Math.abs(volumeMm3 / (section * 2 * (wide + high)) - 1)).toBeLessThan(0.01);
  });

  test('thicker than the letters are, they run into one body, which is told', async () => {
    const { clusters, remarks } = await built('Kiln', wire(40, 12));
    expect(checkMesh(assemble(clusters))).toMatchObject({ shells: 1, closed: true, crossingFaces: 0 });
    expect(remarks.map((r) => r.code)).toContain('WALL_FILLS');
  });
});

describe('letters with a solid of their own', () => {
  const own = (...ids: number[]): Choices => ({
    options: { ownSolids: new Map(ids.map((id) => [id, { ...SOLID, depthMm: 30 }])) },
  });

  test('stand apart from letters they joined, as deep as they are told, and say so', async () => {
    const { clusters, remarks } = await built('kiln', { font: 'Pacifico', ...own(2) });
    expect(clusters.map((cluster) => cluster.letters).sort()).toEqual([[0], [1], [2, 3]]);
    const mesh = assemble(clusters);
    expect(checkMesh(mesh)).toMatchObject({ closed: true, manifold: true, outward: true, crossingFaces: 0 });
    expect(checkMesh(mesh).sizeMm[2]).toBe(30);
    expect(remarks).toContainEqual({ code: 'LETTERS_APART', params: { letters: 'i' } });
  });

  test('two of them beside each other part too', async () => {
    const mesh = assemble((await built('kiln', { font: 'Pacifico', ...own(2, 3, 4) })).clusters);
    expect(checkMesh(mesh)).toMatchObject({ closed: true, crossingFaces: 0 });
  });

  test('where none touches another nothing is told', async () => {
    const { remarks } = await built('Kiln', { layout: { tracking: 100 }, ...own(1) });
    expect(remarks).toEqual([]);
  });
});

describe('beyond the outline', () => {
  const sound = { closed: true, manifold: true, outward: true, crossingFaces: 0 };
  const solid = (values: Partial<LetteringOptions['solid']>): Choices => ({
    options: { solid: { ...SOLID, ...values } },
  });

  test('letters that grow into each other are one body', async () => {
    expect((await built('HI')).clusters).toHaveLength(2);
    const { clusters } = await built('HI', solid({ shiftMm: -6 }));
    expect(clusters).toHaveLength(1);
    expect(checkMesh(assemble(clusters))).toMatchObject({ ...sound, shells: 1 });
  });

  test('an undercut on a body far thinner than it is wide touches nothing', async () => {
    const points = [
      { in: 1, down: 0.3, smooth: true },
      { in: -0.5, down: 0.7, smooth: true },
    ];
    const side = { kind: 'drawn' as const, amountMm: 3, steps: 6, divisions: 1, points };
    const thin = { depthMm: 2, side, shiftMm: -4 };
    for (const front of [SOLID.back, { kind: 'bead' as const, inMm: 0.3, deepMm: 4, steps: 4 }]) {
      const { clusters } = await built('8', { layout: { sizeMm: 300 }, ...solid({ ...thin, front }) });
      expect(checkMesh(assemble(clusters))).toMatchObject(sound);
    }
  });

  test('so much lighter that nothing is left, which is told', async () => {
    const { clusters, remarks } = await built('HI', solid({ shiftMm: 30 }));
    expect(clusters).toEqual([]);
    expect(remarks.map((r) => r.code)).toEqual(['LIGHTER_VANISHES']);
  });

  test('so much lighter that thin strokes are parted, which is told', async () => {
    const codes = async (shiftMm: number): Promise<string[]> => {
      const { clusters, remarks } = await built('e', { ...solid({ shiftMm }), font: 'Bodoni Moda' });
      expect(checkMesh(assemble(clusters))).toMatchObject(sound);
      return remarks.map((r) => r.code);
    };
    expect(await codes(0.1)).toEqual([]);
    expect(await codes(4)).toEqual(['LIGHTER_BREAKS']);
  });

  test('fronts swell to one height, whatever the letter', async () => {
    const swell = { frontMm: 6, backMm: 0, curve: 'soft' as const, steps: 4 };
    const { clusters, remarks } = await built('iO', solid({ swell }));
    const heights = clusters.map(({ mesh }) => checkMesh(mesh).sizeMm[2]);
    expect(checkMesh(assemble(clusters))).toMatchObject(sound);
    expect(Math.max(...heights)).toBeCloseTo(24, 1);
    expect(remarks).toEqual([]);
  });
});

describe('along the depth', () => {
  const along = {
    about: 'whole',
    twistDegrees: 0,
    taperPercent: 0,
    shearMm: [0, 0],
    curveDegrees: 0,
    towardDegrees: 0,
  } as const;
  const sound = { closed: true, manifold: true, outward: true, crossingFaces: 0 };

  test('the whole narrows about its middle, or each letter about its own', async () => {
    const widths = async (about: 'whole' | 'letter') => {
      const { clusters } = await built('HI', { options: { along: { ...along, about, taperPercent: 50 } } });
      const mesh = assemble(clusters);
      expect(checkMesh(mesh)).toMatchObject(sound);
      const back = Array.from({ length: mesh.positions.length / 3 }, (_, i) => 3 * i)
        .filter((i) => mesh.positions[i + 2] === 0)
        .map((i) => mesh.positions[i]);
      return Math.max(...back) - Math.min(...back);
    };
    const [whole, each] = [await widths('whole'), await widths('letter')];
    expect(each).toBeGreaterThan(whole * 1.2);
  });

  test('letters that turn into each other are told', async () => {
    const turned = (twistDegrees: number) => ({
      options: { along: { ...along, about: 'letter' as const, twistDegrees } },
    });
    expect(codes(await built('HIH', turned(10)))).not.toContain('ALONG_CROSSES');
    expect((await built('HIH', turned(90))).remarks).toContainEqual({
      code: 'ALONG_CROSSES',
      params: { letters: 'H I H' },
    });
  });
});
