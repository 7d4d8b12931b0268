import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { unwrap } from '../base/index.ts';
import type { DrawingShape } from '../document/index.ts';
import { condition, doubledArea, gridStep, OPENING_EM, toRings } from '../outline/index.ts';
import { coloursOf, drawFigures, drawingSize, readSvg } from './index.ts';

const FOLDER = 'packages/core/src/testing/drawings';
const read = (name: string) => unwrap(readSvg(readFileSync(join(FOLDER, `${name}.svg`), 'utf8')));
const PI = Math.PI;

/** Area of each colour that is seen, in the drawing's own units. */
function areas(shape: Extract<DrawingShape, { kind: 'paths' }>, unitsWide: number): Record<string, number> {
  const { widthMm, heightMm } = drawingSize(shape);
  const em = Math.max(widthMm, heightMm);
  const step = gridStep(2 * em);
  const units = unitsWide / widthMm;
  const figures = drawFigures(shape, { step, toleranceMm: 1e-4 * em, wire: undefined }, em);
  return Object.fromEntries(
    figures.map(({ name, rings }) => {
      const { outline } = condition(rings, em / step);
      const doubled = toRings(outline).reduce((sum, ring) => sum + doubledArea(ring), 0);
      return [name, (doubled / 2) * (step * units) ** 2];
    }),
  );
}

/** How wide it is in its own units, and the area of each colour by a closed formula. */
const GAP = 1.5 * OPENING_EM;
const black = (area: number): Record<string, number> => ({ '#000000': area });
const KNOWN: Record<string, [wide: number, areas: Record<string, number>]> = {
  rectangle: [60, black(2400)],
  'rounded-rectangle': [60, black(2400 - (4 - PI) * 100)],
  'rectangle-oval-corners': [60, black(2400 - (4 - PI) * 20 * 8)],
  circle: [80, black(PI * 1600)],
  ellipse: [80, black(PI * 800)],
  polygon: [80, black(3200)],
  'open-polyline': [80, black(3200)],
  'line-butt': [80, black(800)],
  'line-square': [90, black(900)],
  'line-round': [90, black(800 + PI * 25)],
  'path-straight': [60, black(30 * 80 + 30 * 20)],
  'path-arc': [80, black(PI * 800)],
  'path-long-arc': [80, black(PI * 1200)],
  // turned upright and half as wide as its chord, the ellipse grows until it fits: 40 wide either way, 80 high
  'path-turned-arc': [80, black((PI * 40 * 80) / 2)],
  'path-cubic': [80, black(0.6 * 80 * 80)],
  'path-quadratic': [80, black((2 / 3) * 3200)],
  'path-smooth': [80, black((2 / 3) * 2 * 800)],
  'even-odd': [80, black(6400 - 1600)],
  'nonzero-same-way': [80, black(6400)],
  'nonzero-other-way': [80, black(6400 - 1600)],
  'bow-tie': [80, black(3200)],
  transforms: [40 * Math.cos(PI / 6) + 15 * Math.sin(PI / 6), black(200 * 3)],
  skewed: [60, black(800 + 200 * 1.25)],
  classes: [30, { '#204080': 900, '#000000': 100 }],
  used: [85, black(200 + 800 + PI * 400)],
  'stroke-miter': [68, black(68 * 48 - 52 * 32)],
  'stroke-round': [68, black(2400 + 200 * 4 + PI * 16 - 52 * 32)],
  'stroke-bevel': [68, black(2400 + 200 * 4 + 4 * 8 - 52 * 32)],
  'stroke-over-limit': [70, black(560)],
  'stroke-stretched': [80, black(2400)],
  'ring-stroke': [72, black(PI * (36 * 36 - 24 * 24))],
  dashes: [74, black(5 * 100)],
  'dashes-shifted': [80, black(4 * 100)],
  'nested-viewports': [70, black(1600 + 1200)],
  'percent-and-style': [50, { '#aa3311': 50 * 25 }],
  'two-colours': [80, { '#204080': 6400 - PI * (20 + GAP * 80) ** 2, '#ffd700': PI * 400 }],
  'same-colour-overlap': [80, { '#000080': 3600 + 1600 - 400 }],
  'fill-and-stroke': [70, { '#c06030': PI * (25 - GAP * 70) ** 2, '#203040': PI * (35 * 35 - 25 * 25) }],
  millimetres: [80, black(3200)],
  pixels: [96, black(96 * 48)],
};

describe('SVG files', () => {
  test('every file has its formula', () => {
    const files = readdirSync(FOLDER).map((name) => name.replace('.svg', ''));
    expect(files.sort()).toEqual(Object.keys(KNOWN).sort());
  });

  test.each(Object.keys(KNOWN))('the areas of %s', (name) => {
    const { shape, remarks } = read(name);
    const [wide, wanted] = KNOWN[name];
    const found = areas(shape, wide);
    expect(Object.keys(found).sort()).toEqual(Object.keys(wanted).sort());
    for (const [colour, area] of Object.entries(wanted)) expect(Math.abs(found[colour] / area - 1)).toBeLessThan(1e-3);
    expect(remarks).toEqual([]);
  });

  test.each([
    ['millimetres', 40, 20],
    ['pixels', 25.4, 12.7],
    ['circle', (80 * 25.4) / 96, (80 * 25.4) / 96],
  ])('%s keeps its own size', (name, width, height) => {
    const { widthMm, heightMm } = drawingSize(read(name).shape);
    expect(widthMm).toBeCloseTo(width, 3);
    expect(heightMm).toBeCloseTo(height, 3);
  });
});

const svg = (inside: string, more = ''): string => `<svg xmlns="http://www.w3.org/2000/svg" ${more}>${inside}</svg>`;
const RECT = '<rect width="10" height="10"/>';

describe('what is in no drawing', () => {
  test.each([
    ['text', '<text>Kiln</text>', 'text'],
    ['a picture', '<image href="pot.png" width="5" height="5"/>', 'picture'],
    ['a script', '<script>alert(1)</script>', 'script'],
    ['an event', '<g onclick="alert(1)"/>', 'script'],
    ['something outside', '<use href="https://elsewhere.example/a.svg#b"/>', 'outside'],
    ['a clip', `<g clip-path="url(#c)">${RECT}</g>`, 'clip'],
    ['a filter', `<g filter="url(#f)">${RECT}</g>`, 'effect'],
    ['a broken path', '<path d="M0 0 L NaN 5"/>', 'path'],
    ['a number that is none', '<circle r="ten"/>', 'path'],
    ['a transform that is none', `<g transform="twist(3)">${RECT}</g>`, 'number'],
    ['a rule that is not understood', '<style>rect:hover{fill:red}</style>', 'style'],
  ])('%s is left out and told', (_, inside, what) => {
    const { remarks, shape } = unwrap(readSvg(svg(RECT + inside)));
    expect(remarks).toEqual([{ code: 'DRAWING_SKIPPED', params: { what, count: 1 } }]);
    expect(shape.elements.length).toBeGreaterThan(0);
  });

  test('a gradient becomes its first colour, by way of the one it refers to', () => {
    const stops = '<linearGradient id="a"><stop stop-color="teal"/><stop stop-color="red"/></linearGradient>';
    const { shape, remarks } = unwrap(
      readSvg(svg(`${stops}<linearGradient id="b" href="#a"/><rect fill="url(#b)" width="9" height="9"/>`)),
    );
    expect(coloursOf(shape)).toEqual([{ id: 1, name: '#008080' }]);
    expect(remarks).toMatchObject([{ params: { what: 'gradient' } }]);
  });

  test('nothing but text is refused, with the reason', () => {
    expect(readSvg(svg('<text>Kiln</text>'))).toEqual({
      ok: false,
      error: { code: 'DRAWING_EMPTY', params: { skipped: 'text' } },
    });
  });

  test('more colours than are kept apart become the last one', () => {
    const many = Array.from({ length: 80 }, (_, i) => `<rect x="${i}" width="1" height="9" fill="rgb(${i},0,0)"/>`);
    const { shape, remarks } = unwrap(readSvg(svg(many.join(''))));
    expect(coloursOf(shape)).toHaveLength(64);
    expect(remarks).toEqual([{ code: 'DRAWING_SKIPPED', params: { what: 'colours', count: 16 } }]);
  });
});

describe('bad input', () => {
  const laughs = Array.from({ length: 9 }, (_, i) => `<!ENTITY e${i + 1} "${`&e${i};`.repeat(10)}">`).join('');
  test.each([
    ['words', 'Kiln', 'DRAWING_BROKEN'],
    ['nothing', '', 'DRAWING_BROKEN'],
    ['a page', '<html><svg xmlns="http://www.w3.org/2000/svg"/></html>', 'DRAWING_BROKEN'],
    ['tags that do not fit', svg('<g><rect/></path>'), 'DRAWING_BROKEN'],
    ['an end that is missing', '<svg xmlns="http://www.w3.org/2000/svg"><g>', 'DRAWING_BROKEN'],
    [
      'entities in entities',
      `<!DOCTYPE svg [<!ENTITY e0 "ha">${laughs}]>${svg('<title>&e9;</title>')}`,
      'DRAWING_BROKEN',
    ],
    [
      'an outside entity',
      `<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]>${svg('<title>&x;</title>')}`,
      'DRAWING_BROKEN',
    ],
    ['no paint', svg('<rect fill="none" width="9" height="9"/>'), 'DRAWING_EMPTY'],
    ['endless numbers', svg('<rect width="1e300" height="1e300"/>'), 'DRAWING_BROKEN'],
    [
      'uses of uses',
      svg(
        `<g id="a0">${RECT}</g>` +
          Array.from({ length: 14 }, (_, i) => `<g id="a${i + 1}">${`<use href="#a${i}"/>`.repeat(10)}</g>`).join(''),
      ),
      'TOO_LARGE',
    ],
    ['deep groups', svg('<g>'.repeat(5000) + RECT + '</g>'.repeat(5000)), 'TOO_LARGE'],
    ['megabytes of paths', svg(`<path d="M0 0${'L1 1L2 0'.repeat(300_000)}"/>`), 'TOO_LARGE'],
    ['more than is read', svg(' '.repeat(9 * 1024 * 1024)), 'TOO_LARGE'],
  ])('%s', (_, text, code) => expect(readSvg(text)).toMatchObject({ ok: false, error: { code } }));

  test('a use of itself ends', () => {
    const { remarks } = unwrap(readSvg(svg(`${RECT}<g id="a"><use href="#a"/></g>`)));
    expect(remarks).toMatchObject([{ params: { what: 'outside' } }]);
  });

  test('names that every object has are no elements, units or transforms', () => {
    const odd = '<constructor/><rect transform="constructor(1)" width="5constructor" height="3"/>';
    expect(unwrap(readSvg(svg(RECT + odd))).shape.elements).toHaveLength(1);
  });
});

describe('shapes drawn here', () => {
  const areaOf = (shape: DrawingShape): number => {
    const step = gridStep(200);
    const [figure] = drawFigures(shape, { step, toleranceMm: 0.002, wire: undefined }, 80);
    const { outline } = condition(figure.rings, 80 / step);
    return (toRings(outline).reduce((sum, ring) => sum + doubledArea(ring), 0) / 2) * step * step;
  };
  const corner = (x: number, y: number) => ({ atMm: [x, y], inMm: [0, 0], outMm: [0, 0] }) as const;
  const shapes: [DrawingShape, number][] = [
    [{ kind: 'rectangle', widthMm: 40, heightMm: 20, cornerMm: 5 }, 800 - (4 - PI) * 25],
    [{ kind: 'rectangle', widthMm: 40, heightMm: 20, cornerMm: 500 }, 20 * 20 + PI * 100],
    [{ kind: 'ellipse', widthMm: 40, heightMm: 20 }, PI * 200],
    [{ kind: 'polygon', sides: 6, radiusMm: 10 }, 150 * Math.sqrt(3)],
    [{ kind: 'star', points: 5, radiusMm: 10, innerPercent: 50 }, 5 * 10 * 5 * Math.sin(PI / 5)],
    [
      {
        kind: 'free',
        curve: {
          knots: [corner(0, 0), corner(40, 0), corner(0, 30)].map((k) => ({
            ...k,
            atMm: [...k.atMm],
            inMm: [0, 0],
            outMm: [0, 0],
          })),
          closed: false,
        },
      },
      600,
    ],
  ];

  test.each(shapes)('%j', (shape, area) => expect(Math.abs(areaOf(shape) / area - 1)).toBeLessThan(1e-3));

  test('stand on zero, in its middle', () => {
    const [{ rings }] = drawFigures(shapes[4][0], { step: 1 / 1024, toleranceMm: 0.01, wire: undefined }, 20);
    const points = rings.flat();
    expect(Math.min(...points.map((p) => p.y))).toBe(0);
    expect(Math.min(...points.map((p) => p.x))).toBe(-Math.max(...points.map((p) => p.x)));
  });
});
