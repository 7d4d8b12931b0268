import { fail, LIMITS, ok, remark, type DrawingSkip, type Remark, type Result } from '../../base/index.ts';
import type { DrawingElement, DrawingShape } from '../../document/index.ts';
import { isFlat, paintedBox } from '../figures.ts';
import { PathWriter } from '../pathText.ts';
import { IDENTITY, matrixOf, product, type Matrix } from './matrices.ts';
import { SHAPES, type DrawShape } from './outlines.ts';
import { fillRuleOf, paintOf, solid, strokeOf, TILED } from './paints.ts';
import { StyleSheet, type Style } from './styles.ts';
import { viewportOf, type Viewport } from './viewports.ts';
import { parseSvgTree, type SvgNode } from './xmlTree.ts';

export type PathsShape = Extract<DrawingShape, { kind: 'paths' }>;

export interface ReadDrawing {
  shape: PathsShape;
  /** the file's title, or empty */
  title: string;
  remarks: Remark[];
}

/** A user unit of CSS and SVG: 96 to the inch. */
export const MM_PER_UNIT = 25.4 / 96;
const LARGEST_MM = 100_000;
const SMALLEST_MM = 0.01;

/** Never painted where they stand. */
const HIDDEN = new Set([
  'defs',
  'symbol',
  'clipPath',
  'mask',
  'marker',
  'pattern',
  'linearGradient',
  'radialGradient',
  'filter',
  'metadata',
  'title',
  'desc',
  'style',
  'animate',
  'animateTransform',
  'animateMotion',
  'set',
  'view',
]);
const SKIPPED = new Map<string, DrawingSkip>([
  ['text', 'text'],
  ['image', 'picture'],
  ['foreignObject', 'picture'],
  ['video', 'picture'],
  ['audio', 'picture'],
  ['script', 'script'],
]);
const DEEPEST_USE = 16;
/** No place of a drawing lies farther out, in user units: squares of such numbers still have room. */
const FARTHEST = 1e12;

const reachOf = ([a, b, c, d, e, f]: Matrix, reach: number): number =>
  reach * Math.max(Math.abs(a) + Math.abs(c), Math.abs(b) + Math.abs(d)) + Math.max(Math.abs(e), Math.abs(f));
/** A command takes seven numbers at most (an arc). */
const MOST_NUMBERS = 7 * LIMITS.drawingPieces;

const tooLarge = (size: number, limit: number): Result<never> => fail('TOO_LARGE', { what: 'drawing', size, limit });

const numberCount = (text: string | undefined): number => text?.match(/[\d.]+/g)?.length ?? 0;

/**
 * An SVG file's text -> a drawing in its natural size (user units are 1/96 inch). Scripts are not run, nothing outside
 * the file is fetched; what is left out is told. Text is no outline: a file of nothing else is refused.
 */
export function readSvg(text: string): Result<ReadDrawing> {
  const tree = parseSvgTree(text);
  if (!tree.ok) return tree;
  const reader = new DrawingReader(tree.value);
  const failed = reader.read();
  if (failed) return failed;
  const { elements, colours, skipped } = reader;
  if (elements.length === 0) return fail('DRAWING_EMPTY', { skipped: [...skipped.keys()].join(' ') });
  const box = paintedBox(elements);
  const [width, height] = box ? [box.maxX - box.minX, box.maxY - box.minY] : [0, 0];
  if (!(width < 1e12 && height < 1e12) || Math.max(width, height) === 0)
    return fail('DRAWING_BROKEN', { line: 0, why: 'size' });
  const by = width > 0 ? 'width' : 'height';
  const sizeMm = Math.min(LARGEST_MM, Math.max(SMALLEST_MM, rounded((by === 'width' ? width : height) * MM_PER_UNIT)));
  return ok({
    shape: { kind: 'paths', elements, colours: [...colours].map(([name, id]) => ({ id, name })), by, sizeMm },
    title:
      tree.value.children
        .find((node) => node.name === 'title')
        ?.text.trim()
        .slice(0, 80) ?? '',
    remarks: [...skipped].map(([what, count]) => remark('DRAWING_SKIPPED', { what, count })),
  });
}

interface Around {
  matrix: Matrix;
  style: Style;
  room: Viewport;
  uses: number;
}

/** To what people can read; a billionth is nothing. */
const rounded = (mm: number): number => Number(mm.toPrecision(9));

/** Of an element: its path; nothing where it is not well formed; or that it has more numbers than are read. */
type Drawn = PathWriter | undefined | 'large';

class DrawingReader {
  readonly elements: DrawingElement[] = [];
  /** ids by #rrggbb */
  readonly colours = new Map<string, number>();
  readonly skipped = new Map<DrawingSkip, number>();
  readonly #root: SvgNode;
  readonly #byId = new Map<string, SvgNode>();
  readonly #sheet = new StyleSheet();
  readonly #paths = new Map<SvgNode, { room: Viewport; writer: Drawn }>();
  #visited = 0;
  #pieces = 0;
  #characters = 0;

  constructor(root: SvgNode) {
    this.#root = root;
    this.#index(root);
    if (this.#sheet.skipped > 0) this.skipped.set('style', this.#sheet.skipped);
  }

  /** Undefined when all went well. */
  read(): Result<never> | undefined {
    const around = { matrix: IDENTITY, style: {}, room: { width: 0, height: 0 }, uses: 0 };
    const failed = this.#svg(this.#root, around, undefined);
    if (failed) return failed;
    return this.#sheet.isOverrun ? tooLarge(LIMITS.drawingRuleTests, LIMITS.drawingRuleTests) : undefined;
  }

  #index(node: SvgNode): void {
    const { id } = node.attributes;
    if (id !== undefined && !this.#byId.has(id)) this.#byId.set(id, node);
    if (node.name === 'style') this.#sheet.add(node.text);
    if (Object.keys(node.attributes).some((name) => /^on[a-z]+$/i.test(name))) this.#skip('script');
    for (const child of node.children) this.#index(child);
  }

  #skip(what: DrawingSkip): void {
    this.skipped.set(what, (this.skipped.get(what) ?? 0) + 1);
  }

  #node(node: SvgNode, around: Around): Result<never> | undefined {
    if (++this.#visited > LIMITS.svgElements) return tooLarge(this.#visited, LIMITS.svgElements);
    const skipped = SKIPPED.get(node.name);
    if (skipped) return void this.#skip(skipped);
    if (HIDDEN.has(node.name)) return undefined;
    const style = this.#sheet.styleOf(node, around.style);
    if (this.#sheet.isOverrun) return tooLarge(LIMITS.drawingRuleTests, LIMITS.drawingRuleTests);
    if (style.display === 'none') return undefined;
    this.#noteEffects(style);
    const own = matrixOf(style.transform);
    if (!own) this.#skip('number');
    const inside = { ...around, style, matrix: product(around.matrix, own ?? IDENTITY) };
    const draw = SHAPES.get(node.name);
    if (draw) return this.#shape(node, draw, inside);
    if (node.name === 'svg') return this.#svg(node, inside, around.room);
    if (node.name === 'use') return this.#use(node, inside);
    const children = node.name === 'switch' ? node.children.slice(0, 1) : node.children;
    return this.#all(children, inside);
  }

  #noteEffects(style: Style): void {
    const has = (value: string | undefined): boolean => value !== undefined && value !== 'none';
    if (has(style['clip-path']) || has(style.mask)) this.#skip('clip');
    if (has(style.filter) || has(style['vector-effect'])) this.#skip('effect');
  }

  #all(nodes: readonly SvgNode[], around: Around): Result<never> | undefined {
    for (const node of nodes) {
      const failed = this.#node(node, around);
      if (failed) return failed;
    }
    return undefined;
  }

  #svg(node: SvgNode, around: Around, outer: Viewport | undefined): Result<never> | undefined {
    const { matrix, inner } = viewportOf(node, outer);
    // the root was not met as a node: its style is read here
    const style = outer ? around.style : this.#sheet.styleOf(node, around.style);
    return this.#all(node.children, { ...around, style, matrix: product(around.matrix, matrix), room: inner });
  }

  #use(node: SvgNode, around: Around): Result<never> | undefined {
    const target = node.attributes.href ?? '';
    const used = target.startsWith('#') ? this.#byId.get(target.slice(1)) : undefined;
    if (!used || around.uses >= DEEPEST_USE) return void this.#skip('outside');
    const number = (name: string): number => Number.parseFloat(node.attributes[name] ?? '0') || 0;
    const matrix = product(around.matrix, [1, 0, 0, 1, number('x'), number('y')]);
    const inside = { ...around, matrix, uses: around.uses + 1 };
    if (used.name !== 'symbol' && used.name !== 'svg') return this.#node(used, inside);
    const { width, height } = node.attributes;
    const sized = {
      ...used,
      attributes: { ...used.attributes, ...(width ? { width } : {}), ...(height ? { height } : {}) },
    };
    return this.#svg(sized, { ...inside, style: this.#sheet.styleOf(used, around.style) }, around.room);
  }

  #shape(node: SvgNode, draw: DrawShape, { style, matrix, room }: Around): Result<never> | undefined {
    if (style.visibility === 'hidden' || style.visibility === 'collapse') return undefined;
    const writer = this.#drawn(node, draw, room);
    if (writer === 'large') return tooLarge(MOST_NUMBERS, LIMITS.drawingPieces);
    if (!writer) return void this.#skip('path');
    if (writer.pieces === 0) return undefined;
    if (!matrix.every(Number.isFinite)) return void this.#skip('number');
    if (reachOf(matrix, writer.reach) > FARTHEST) return fail('DRAWING_BROKEN', { line: 0, why: 'size' });
    this.#pieces += writer.pieces;
    this.#characters += writer.text.length;
    if (this.#pieces > LIMITS.drawingPieces || this.#characters > LIMITS.drawingPathCharacters)
      return tooLarge(this.#pieces, LIMITS.drawingPieces);
    const diagonal = Math.sqrt((room.width * room.width + room.height * room.height) / 2);
    const flat = isFlat(writer.text);
    const fill = flat ? undefined : this.#paint(style.fill ?? 'black', style, style['fill-opacity']);
    const stroke = this.#paint(style.stroke ?? 'none', style, style['stroke-opacity']);
    const form = stroke === undefined ? undefined : strokeOf(style, diagonal);
    if (form && reachOf(matrix, form.width) > FARTHEST) return fail('DRAWING_BROKEN', { line: 0, why: 'size' });
    const painted: DrawingElement[] = [];
    const common = { path: writer.text, transform: matrix };
    if (fill !== undefined) painted.push({ ...common, colour: fill, paint: { kind: 'fill', rule: fillRuleOf(style) } });
    if (stroke !== undefined && form) painted.push({ ...common, colour: stroke, paint: form });
    if (style['paint-order']?.trim().startsWith('stroke')) painted.reverse();
    if (this.elements.push(...painted) > LIMITS.drawingElements)
      return tooLarge(this.elements.length, LIMITS.drawingElements);
    return undefined;
  }

  /** What an element draws; undefined where it is not well formed. One that is used again is read once. */
  #drawn(node: SvgNode, draw: DrawShape, room: Viewport): Drawn {
    const known = this.#paths.get(node);
    if (known && known.room.width === room.width && known.room.height === room.height) return known.writer;
    if (numberCount(node.attributes.d ?? node.attributes.points) > MOST_NUMBERS) return 'large';
    const made = new PathWriter();
    const writer = draw(node, made, room) ? made : undefined;
    this.#paths.set(node, { room, writer });
    return writer;
  }

  /** Id of the colour. */
  #paint(value: string, style: Style, alpha: string | undefined): number | undefined {
    const paint = paintOf(value, style, alpha, { serverColour: (id) => this.#serverColour(id) });
    if (!paint) return undefined;
    if (paint.gradient) this.#skip('gradient');
    const known = this.colours.get(paint.colour);
    if (known !== undefined) return known;
    if (this.colours.size >= LIMITS.drawingColours) {
      this.#skip('colours');
      return LIMITS.drawingColours;
    }
    this.colours.set(paint.colour, this.colours.size + 1);
    return this.colours.size;
  }

  /** A gradient's first colour, followed through those it refers to. */
  #serverColour(id: string, depth = 0): string | undefined {
    const node = this.#byId.get(id);
    if (!node || depth > DEEPEST_USE) return undefined;
    const stop = node.children.find((child) => child.name === 'stop');
    if (stop) {
      const style = this.#sheet.styleOf(stop, {});
      return solid(style['stop-color'] ?? 'black', style);
    }
    const { href } = node.attributes;
    if (href?.startsWith('#')) return this.#serverColour(href.slice(1), depth + 1);
    return node.name === 'pattern' ? TILED : undefined;
  }
}
