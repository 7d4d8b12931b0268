import { LIMITS, type DrawingSkip } from '../../base/index.ts';
import { IDENTITY, product, type Matrix } from '../svg/matrices.ts';
import { PathWriter } from '../pathText.ts';
import { Name, type Operation, type Value } from './contentTokens.ts';
import { BLACK, colourOf, type ColourSpace } from './colourSpaces.ts';

/** What a page's names stand for. */
export interface Resources {
  space(name: string): ColourSpace;
  /** the one colour that stands for a pattern */
  pattern(name: string): string;
  /** a drawing of its own (`self` tells it from others), a picture, or neither */
  object(
    name: string,
  ): { self: object; operations: Iterable<Operation>; matrix: Matrix; resources: Resources } | 'picture' | undefined;
  state(name: string): GraphicsValues;
  /** whether marked content of this name is not shown */
  isHidden(name: string): boolean;
}

/** Of a named graphics state. */
export interface GraphicsValues {
  width?: number;
  cap?: number;
  join?: number;
  miter?: number;
  fillAlpha?: number;
  strokeAlpha?: number;
  isMasked?: boolean;
  isBlended?: boolean;
}

interface State extends GraphicsValues {
  matrix: Matrix;
  fill: string;
  stroke: string;
  fillSpace: ColourSpace;
  strokeSpace: ColourSpace;
  dashes: number[];
  dashOffset: number;
}

const FIRST: State = {
  matrix: IDENTITY,
  fill: BLACK,
  stroke: BLACK,
  fillSpace: 'gray',
  strokeSpace: 'gray',
  dashes: [],
  dashOffset: 0,
  width: 1,
};

const DEEPEST = 16;
const CAPS = ['butt', 'round', 'square'];
const JOINS = ['miter', 'round', 'bevel'];
/** Painting, in SVG's words: which of fill and stroke, by which rule, and whether the path is closed first. */
const PAINTS: Readonly<Record<string, { fill?: 'nonzero' | 'evenodd'; stroke?: boolean; closes?: boolean }>> = {
  S: { stroke: true },
  s: { stroke: true, closes: true },
  f: { fill: 'nonzero' },
  F: { fill: 'nonzero' },
  'f*': { fill: 'evenodd' },
  B: { fill: 'nonzero', stroke: true },
  'B*': { fill: 'evenodd', stroke: true },
  b: { fill: 'nonzero', stroke: true, closes: true },
  'b*': { fill: 'evenodd', stroke: true, closes: true },
  n: {},
};
/** What of a line an operator sets. */
const LINE: Readonly<Record<string, 'width' | 'cap' | 'join' | 'miter'>> = {
  w: 'width',
  J: 'cap',
  j: 'join',
  M: 'miter',
};
/** Device colours by operator. */
const DEVICE: Readonly<Record<string, ColourSpace>> = { g: 'gray', rg: 'rgb', k: 'cmyk' };

/**
 * Paints the operations of a page as elements of SVG; what is no outline is counted (operators: ISO 32000-1, annex A).
 */
export class Painter {
  readonly elements: string[] = [];
  readonly skipped = new Map<DrawingSkip, number>();
  #state = FIRST;
  #stack: State[] = [];
  #pen = new PathWriter();
  #at: [number, number] = [0, 0];
  #isEmpty = true;
  #clips = false;
  #marks: boolean[] = [];
  /** drawings within which this one stands: none may stand in itself */
  readonly #around = new Set<object>();
  #count = 0;

  /** Undefined, or how many operations were too many. */
  run(operations: Iterable<Operation>, resources: Resources, depth = 0): number | undefined {
    for (const { operator, values } of operations) {
      if (++this.#count > LIMITS.pdfOperations) return this.#count;
      if (operator === 'Do' && !this.#isHidden()) {
        const tooMany = this.#object(nameOf(values), resources, depth);
        if (tooMany !== undefined) return tooMany;
      } else if (!this.#path(operator, values) && !this.#graphics(operator, values, resources))
        this.#mark(operator, values, resources);
    }
    return undefined;
  }

  #skip(what: DrawingSkip): void {
    this.skipped.set(what, (this.skipped.get(what) ?? 0) + 1);
  }

  #isHidden = (): boolean => this.#marks.includes(true);

  #object(name: string, resources: Resources, depth: number): number | undefined {
    const object = resources.object(name);
    if (object === undefined || depth >= DEEPEST) return undefined;
    if (object === 'picture') return void this.#skip('picture');
    if (this.#around.has(object.self)) return undefined;
    this.#around.add(object.self);
    const [before, stack, marks] = [this.#state, this.#stack, this.#marks];
    this.#state = { ...before, matrix: product(before.matrix, object.matrix) };
    [this.#stack, this.#marks] = [[], [...marks]];
    const tooMany = this.run(object.operations, object.resources, depth + 1);
    [this.#state, this.#stack, this.#marks] = [before, stack, marks];
    this.#around.delete(object.self);
    return tooMany;
  }

  #path(operator: string, values: readonly Value[]): boolean {
    const n = numbersOf(values);
    const ends = PAINTS[operator] as (typeof PAINTS)[string] | undefined;
    if (ends) this.#paint(ends);
    else if (operator === 'm' && n.length === 2) this.#to(n, () => this.#pen.moveTo(n[0], n[1]));
    else if (operator === 'l' && n.length === 2) this.#to(n, () => this.#pen.lineTo(n[0], n[1]));
    else if (operator === 'c' && n.length === 6) this.#curve(n);
    else if (operator === 'v' && n.length === 4) this.#curve([...this.#at, ...n]);
    else if (operator === 'y' && n.length === 4) this.#curve([...n, n[2], n[3]]);
    else if (operator === 'h') this.#pen.close();
    else if (operator === 're' && n.length === 4) this.#rectangle(n);
    else if (operator === 'W' || operator === 'W*') this.#clips = true;
    else return false;
    return true;
  }

  #to(n: readonly number[], draw: () => void): void {
    draw();
    this.#at = [n[n.length - 2], n[n.length - 1]];
    this.#isEmpty = false;
  }

  #curve(n: readonly number[]): void {
    this.#to(n, () => this.#pen.cubicTo(n[0], n[1], n[2], n[3], n[4], n[5]));
  }

  #rectangle([x, y, w, h]: readonly number[]): void {
    this.#pen.moveTo(x, y);
    this.#pen.lineTo(x + w, y);
    this.#pen.lineTo(x + w, y + h);
    this.#pen.lineTo(x, y + h);
    this.#pen.close();
    this.#at = [x, y];
    this.#isEmpty = false;
  }

  #paint({ fill, stroke, closes }: (typeof PAINTS)[string]): void {
    if (closes) this.#pen.close();
    const { fillAlpha = 1, strokeAlpha = 1, isMasked, isBlended } = this.#state;
    const isFilled = fill !== undefined && fillAlpha > 0;
    const isStroked = stroke === true && strokeAlpha > 0;
    if ((isFilled || isStroked) && !this.#isEmpty && !this.#isHidden()) {
      if (isMasked) this.#skip('clip');
      if (isBlended) this.#skip('effect');
      this.#fillsWithPattern(isFilled, isStroked);
      this.elements.push(
        `<path transform="matrix(${this.#state.matrix.join(' ')})" d="${this.#pen.text}" ` +
          `fill="${isFilled ? this.#state.fill : 'none'}" ` +
          `fill-rule="${fill ?? 'nonzero'}" ${isStroked ? this.#strokeText() : ''}/>`,
      );
    }
    if (this.#clips && !this.#isHidden()) this.#noteClip();
    this.#pen = new PathWriter();
    this.#isEmpty = true;
    this.#clips = false;
  }

  #fillsWithPattern(isFilled: boolean, isStroked: boolean): void {
    const { fillSpace, strokeSpace } = this.#state;
    if ((isFilled && fillSpace === 'pattern') || (isStroked && strokeSpace === 'pattern')) this.#skip('gradient');
  }

  /** A rectangle is the border of what was drawn as a rule. */
  #noteClip(): void {
    if (!/^M[^MC]*(L[^MLC]*){3,4}Z?\s*$/.test(this.#pen.text)) this.#skip('clip');
  }

  #strokeText(): string {
    const { stroke, width = 1, cap = 0, join = 0, miter = 10, dashes, dashOffset } = this.#state;
    const dashed = dashes.some((one) => one > 0)
      ? ` stroke-dasharray="${dashes.join(' ')}" stroke-dashoffset="${dashOffset}"`
      : '';
    return (
      `stroke="${stroke}" stroke-width="${Math.max(width, THINNEST)}" stroke-linecap="${CAPS[cap] ?? 'butt'}" ` +
      `stroke-linejoin="${JOINS[join] ?? 'miter'}" stroke-miterlimit="${miter}"${dashed}`
    );
  }

  #graphics(operator: string, values: readonly Value[], resources: Resources): boolean {
    const n = numbersOf(values);
    const field = LINE[operator] as (typeof LINE)[string] | undefined;
    if (field !== undefined) {
      this.#state = { ...this.#state, [field]: n[0] };
      return true;
    }
    switch (operator) {
      case 'q':
        if (this.#stack.length < LIMITS.pdfNesting) this.#stack.push(this.#state);
        return true;
      case 'Q':
        this.#state = this.#stack.pop() ?? this.#state;
        return true;
      case 'cm':
        if (n.length === 6)
          this.#state = { ...this.#state, matrix: product(this.#state.matrix, n as unknown as Matrix) };
        return true;
      case 'd':
        this.#state = {
          ...this.#state,
          dashes: Array.isArray(values[0]) ? numbersOf(values[0]) : [],
          dashOffset: n[0] ?? 0,
        };
        return true;
      case 'gs':
        this.#state = { ...this.#state, ...resources.state(nameOf(values)) };
        return true;
      default:
        return this.#colour(operator, n, values, { resources });
    }
  }

  #colour(
    operator: string,
    n: readonly number[],
    values: readonly Value[],
    { resources }: { resources: Resources },
  ): boolean {
    const isStroke = operator !== operator.toLowerCase();
    const low = operator.toLowerCase();
    const put = (space: ColourSpace, colour: string): void => {
      this.#state = {
        ...this.#state,
        ...(isStroke ? { strokeSpace: space, stroke: colour } : { fillSpace: space, fill: colour }),
      };
    };
    const device = DEVICE[low] as ColourSpace | undefined;
    const own = isStroke ? this.#state.strokeSpace : this.#state.fillSpace;
    if (device !== undefined) put(device, colourOf(device, n));
    else if (low === 'cs') put(resources.space(nameOf(values)), BLACK);
    else if (low === 'sc' || low === 'scn')
      put(own, own === 'pattern' ? resources.pattern(nameOf(values)) : colourOf(own, n));
    else return false;
    return true;
  }

  #mark(operator: string, values: readonly Value[], resources: Resources): void {
    if (operator === 'BDC' || operator === 'BMC') {
      const [tag, name] = values;
      const isLayer = tag instanceof Name && tag.text === 'OC' && name instanceof Name;
      this.#marks.push(isLayer && resources.isHidden(name.text));
    } else if (operator === 'EMC') this.#marks.pop();
    else if (this.#isHidden()) return;
    else if (operator === 'BT') this.#skip('text');
    else if (operator === 'BI') this.#skip('picture');
    else if (operator === 'sh') this.#skip('gradient');
  }
}

/** A line of no width is as thin as a device draws, which here would be nothing: a hundredth of a point. */
const THINNEST = 0.01;

const numbersOf = (values: readonly Value[]): number[] => values.filter((one) => typeof one === 'number');

/** The last name among values. */
function nameOf(values: readonly Value[]): string {
  const last = values[values.length - 1];
  return last instanceof Name ? last.text : '';
}
