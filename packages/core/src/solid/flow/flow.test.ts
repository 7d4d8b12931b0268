import { seededRandom } from '../../base/index.ts';
import { toRings, type Outline } from '../../outline/index.ts';
import { capLoops, isConvex, loopArea, outlineArea } from '../../testing/caps.ts';
import { outlineOf, shippedFaces, STEP } from '../../testing/faces.ts';
import { outlineOfRings, rectangle, ringOf } from '../../testing/rings.ts';
import { expectSound } from '../../testing/sound.ts';
import { facedFlat, type FaceStyle } from '../../faces/index.ts';
import type { FontFace } from '../../text/index.ts';
import { buildSection, flatWavefront, lift, sectionEnds, sectionLayers, type FlatWavefront } from '../index.ts';
import { flowFlat, gridFlat } from './flowFlat.ts';
import { ringLine } from './ringLine.ts';
import { softCorners } from './softCorners.ts';

let faces: FontFace[];
beforeAll(async () => {
  faces = await shippedFaces(['Work Sans', 'Zilla Slab', 'Pacifico']);
});

const mm = (value: number): number => Math.round(value / STEP);
const tolerance = 0.05 / STEP;
const optionsFor = (inset: number, em: number) => ({
  layers: inset === 0 ? [] : [inset],
  capInsets: [inset, inset],
  em,
  seed: 1,
});

/** Letters, seeded, with an edge's width and a size of quads. */
function tried(count: number): { name: string; outline: Outline; em: number; inset: number; size: number }[] {
  const random = seededRandom(61);
  const pick = <T>(row: readonly T[]): T => row[Math.floor(random() * row.length)];
  return Array.from({ length: count }, () => {
    const face = pick(faces);
    const character = pick([...'ABDEGKMRSXZaegkmnswxz28&@?']);
    const { outline, em } = outlineOf(face, character);
    const [inset, size] = [mm(pick([0, 0.3, 0.8, 1.5])), mm(pick([1.3, 2, 2.6]))];
    return { name: `${face.name} ${character} ${inset * STEP} ${size * STEP}`, outline, em, inset, size };
  });
}

const layerOf = ({ partition }: FlatWavefront): number => partition.layers.length - 1;

test('fronts are quads alone, all convex, and exactly fill their rings', () => {
  for (const { name, outline, em, inset, size } of tried(10)) {
    const flat = flowFlat(outline, optionsFor(inset, em), { size, tolerance });
    if (!flat) throw new Error(`no flow for ${name}`);
    const loops = capLoops(flat, layerOf(flat));
    expect({ name, sizes: new Set(loops.map((loop) => loop.length)) }).toEqual({ name, sizes: new Set([4]) });
    expect({ name, folded: loops.filter((loop) => !isConvex(loop)).length }).toEqual({ name, folded: 0 });
    if (inset === 0) expect(loops.reduce((sum, loop) => sum + loopArea(loop), 0)).toBe(outlineArea(flat));
  }
});

// every letter: npm run bench -- --faces
test('solids of every style are sound, whatever the edges are', () => {
  const random = seededRandom(7);
  for (const { name, outline, em, size } of tried(8)) {
    const edge = { kind: 'round', inMm: 0.3 + random(), deepMm: 1, steps: 2 } as const;
    const { section } = buildSection({
      depthMm: 12,
      front: edge,
      back: { ...edge, kind: random() < 0.5 ? 'plain' : 'round' },
      step: STEP,
    });
    const styles: FaceStyle[] = [
      { kind: 'flow', size, tolerance },
      { kind: 'grid', size, tolerance, origin: { x: 3, y: -11 } },
      {
        kind: 'bands',
        lines: { axis: 'x', at: Array.from({ length: 9 }, (_, i) => Math.round(((i + 0.3) * em) / 9)) },
      },
      { kind: 'bands', lines: { axis: 'y', at: [mm(-3), mm(0), mm(20), mm(50)] } },
    ];
    for (const style of styles) {
      const { flat } = facedFlat(
        outline,
        { layers: sectionLayers(section), capInsets: sectionEnds(section), em, seed: 1 },
        style,
      );
      expectSound(lift(flat, { section, step: STEP }), `${name} ${style.kind}`);
    }
  }
});

test('corners of the drawing stay exact, other points lie on it', () => {
  for (const { name, outline, em, inset, size } of tried(4)) {
    const flat = flowFlat(outline, optionsFor(inset, em), { size, tolerance }) as FlatWavefront;
    const made = new Set(Array.from(flat.outline.x, (x, i) => `${x} ${flat.outline.y[i]}`));
    const lost = Array.from(outline.corner).flatMap((corner, i) =>
      corner && !made.has(`${outline.x[i]} ${outline.y[i]}`) ? [i] : [],
    );
    expect({ name, lost }).toEqual({ name, lost: [] });
    const off = Array.from(flat.outline.x, (x, i) => distanceTo(outline, x, flat.outline.y[i]));
    expect(Math.max(...off)).toBeLessThan(2);
  }
});

/** From a point to the nearest edge, grid steps. */
function distanceTo(outline: Outline, x: number, y: number): number {
  let least = Infinity;
  for (const ring of toRings(outline)) {
    ring.forEach((a, i) => {
      const b = ring[(i + 1) % ring.length];
      const [dx, dy] = [b.x - a.x, b.y - a.y];
      const t = Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / (dx * dx + dy * dy)));
      least = Math.min(least, Math.hypot(x - a.x - t * dx, y - a.y - t * dy));
    });
  }
  return least;
}

test('a bar is cut into even rows and columns', () => {
  const bar = outlineOfRings(rectangle(0, 0, mm(40), mm(10)));
  const flat = flowFlat(bar, optionsFor(0, mm(100)), { size: mm(2.5), tolerance }) as FlatWavefront;
  const loops = capLoops(flat, 0);
  expect(loops).toHaveLength(16 * 4);
  for (const loop of loops) expect(loopArea(loop) / 2 / mm(2.5) ** 2).toBeCloseTo(1, 3);
});

test('two quads at least across a hairline', () => {
  const bar = outlineOfRings(rectangle(0, 0, mm(40), mm(0.5)));
  const flat = flowFlat(bar, optionsFor(0, mm(100)), { size: mm(4), tolerance }) as FlatWavefront;
  const ys = new Set(capLoops(flat, 0).flatMap((loop) => loop.map(([, y]) => y)));
  expect(ys.size).toBeGreaterThanOrEqual(3);
});

test('moved, a letter has the same faces', () => {
  const { outline, em } = outlineOf(faces[0], 'R');
  const moved: Outline = { ...outline, x: outline.x.map((x) => x + 12_345), y: outline.y.map((y) => y - 777) };
  const count = (one: Outline): number =>
    capLoops(flowFlat(one, optionsFor(mm(0.5), em), { size: mm(2), tolerance }) as FlatWavefront, 1).length;
  expect(count(moved)).toBe(count(outline));
});

test('without a flat front there is nothing to flow along, and no fault', () => {
  const bar = outlineOfRings(rectangle(0, 0, mm(40), mm(2)));
  const faced = facedFlat(bar, optionsFor(mm(3), mm(100)), { kind: 'flow', size: mm(2), tolerance });
  expect(faced.fellBack).toBe(false);
  expect(capLoops(faced.flat, layerOf(faced.flat))).toEqual([]);
});

test('squares lie on one grid for all letters', () => {
  const side = mm(2);
  const plate = outlineOfRings(rectangle(mm(0.7), mm(-0.4), mm(31), mm(22)));
  const flat = gridFlat(plate, optionsFor(0, mm(100)), {
    size: side,
    tolerance,
    origin: { x: 5, y: 9 },
  }) as FlatWavefront;
  const squares = capLoops(flat, 0).filter((loop) => loopArea(loop) === 2 * side * side);
  expect(squares.length).toBeGreaterThan(80);
  for (const loop of squares)
    for (const [x, y] of loop) expect([(x - 5) % side === 0, (y - 9) % side === 0]).toEqual([true, true]);
});

test('bands: no face reaches over a line, and walls are cut where fronts are', () => {
  const { outline, em } = outlineOf(faces[1], 'S');
  const at = [10, 17, 24, 31].map((x) => mm(x));
  const { section } = buildSection({
    depthMm: 9,
    front: { kind: 'chamfer', inMm: 1, deepMm: 1, steps: 1 },
    back: { kind: 'plain', inMm: 0, deepMm: 0, steps: 1 },
    step: STEP,
  });
  const { flat } = facedFlat(
    outline,
    { layers: sectionLayers(section), capInsets: sectionEnds(section), em, seed: 1 },
    { kind: 'bands', lines: { axis: 'x', at } },
  );
  const mesh = lift(flat, { section, step: STEP });
  for (let f = 0; f + 1 < mesh.faceStart.length; f++) {
    const xs = Array.from(
      mesh.faceVertices.subarray(mesh.faceStart[f], mesh.faceStart[f + 1]),
      (v) => mesh.positions[3 * v],
    );
    for (const line of at) {
      const over = Math.max(...xs) - line * STEP > 4 * STEP && line * STEP - Math.min(...xs) > 4 * STEP;
      expect(over).toBe(false);
    }
  }
});

test('a plain front of two bands is cut through its middle', () => {
  const bar = outlineOfRings(rectangle(0, 0, mm(40), mm(10)), rectangle(mm(60), 0, mm(10), mm(10)));
  const { flat } = facedFlat(bar, optionsFor(0, mm(100)), { kind: 'bands', lines: { axis: 'x', at: [mm(20)] } });
  expect(capLoops(flat, 0)).toHaveLength(3);
});

test('a short bend counts as a corner, a bowl does not', () => {
  const bend = Array.from({ length: 7 }, (_, i): [number, number] => [
    mm(40 - 1 + Math.sin((i * Math.PI) / 12)),
    mm(1 - Math.cos((i * Math.PI) / 12)),
  ]);
  const ring = ringOf([[0, 0], ...bend, [mm(40), mm(30)], [0, mm(30)]]).map((v) => ({ ...v, corner: 0 }));
  const flat = flatWavefront(outlineOfRings(ring), optionsFor(0, mm(100)));
  const line = ringLine(flat.partition, 0);
  expect(line && softCorners(line, mm(4)).length).toBe(1);
  expect(line && softCorners(line, mm(0.5)).length).toBe(0);
});
