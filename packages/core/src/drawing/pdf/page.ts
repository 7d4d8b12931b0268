import type * as pdfLib from 'pdf-lib';
import type { PDFArray, PDFContext, PDFDict, PDFObject, PDFStream } from 'pdf-lib';
import { LIMITS } from '../../base/index.ts';
import { IDENTITY, type Matrix } from '../svg/matrices.ts';
import { TILED } from '../svg/paints.ts';
import { BLACK, colourOf, type ColourSpace } from './colourSpaces.ts';
import { operationsOf } from './contentTokens.ts';
import { valueOf, type FunctionParts } from './functions.ts';
import type { GraphicsValues, Resources } from './painter.ts';

export type Library = typeof pdfLib;

/** A file's objects by their kinds; what is of another kind is undefined. */
export class Objects {
  readonly #library: Library;
  readonly #context: PDFContext;
  /** layers that are not shown when the file is opened */
  readonly #hidden: ReadonlySet<PDFObject>;
  readonly #unpacked = new Map<PDFObject, Uint8Array>();

  constructor(library: Library, context: PDFContext, hidden: readonly PDFObject[]) {
    this.#library = library;
    this.#context = context;
    this.#hidden = new Set(hidden);
  }

  any = (value: PDFObject | undefined): PDFObject | undefined => this.#context.lookup(value);

  dict(value: PDFObject | undefined): PDFDict | undefined {
    const found = this.any(value);
    if (found instanceof this.#library.PDFDict) return found;
    return found instanceof this.#library.PDFStream ? found.dict : undefined;
  }

  array(value: PDFObject | undefined): PDFArray | undefined {
    const found = this.any(value);
    return found instanceof this.#library.PDFArray ? found : undefined;
  }

  name(value: PDFObject | undefined): string | undefined {
    const found = this.any(value);
    return found instanceof this.#library.PDFName ? found.decodeText() : undefined;
  }

  number(value: PDFObject | undefined): number | undefined {
    const found = this.any(value);
    return found instanceof this.#library.PDFNumber ? found.asNumber() : undefined;
  }

  numbers(value: PDFObject | undefined): number[] | undefined {
    return this.array(value)
      ?.asArray()
      .map((one) => this.number(one) ?? 0);
  }

  entry(dict: PDFDict | undefined, key: string): PDFObject | undefined {
    return dict?.get(this.#library.PDFName.of(key));
  }

  /** A stream's bytes, unpacked; no more of them than are read. */
  bytes(value: PDFObject | undefined): Uint8Array {
    const stream = this.any(value);
    const known = stream && this.#unpacked.get(stream);
    if (known) return known;
    const bytes = this.#unpack(stream);
    if (stream) this.#unpacked.set(stream, bytes);
    return bytes;
  }

  #unpack(stream: PDFObject | undefined): Uint8Array {
    const { PDFRawStream, PDFStream: Stream, decodePDFRawStream } = this.#library;
    if (stream instanceof PDFRawStream)
      return Uint8Array.from(decodePDFRawStream(stream).getBytes(LIMITS.pdfStreamBytes));
    return stream instanceof Stream ? (stream as PDFStream).getContents() : new Uint8Array();
  }

  isHidden = (layer: PDFObject | undefined): boolean => layer !== undefined && this.#hidden.has(layer);

  resources(dict: PDFDict | undefined): Resources {
    const named = (kind: string, name: string): PDFObject | undefined =>
      this.entry(this.dict(this.entry(dict, kind)), name);
    return {
      space: (name) => this.#space(named('ColorSpace', name) ?? this.#library.PDFName.of(name)),
      pattern: (name) => this.#firstColour(this.dict(named('Pattern', name))),
      object: (name) => this.#object(named('XObject', name), dict),
      state: (name) => this.#state(this.dict(named('ExtGState', name))),
      isHidden: (name) => this.#isHiddenContent(named('Properties', name)),
    };
  }

  /** A layer, or several together of which all are hidden. */
  #isHiddenContent(content: PDFObject | undefined): boolean {
    const layers = this.array(this.entry(this.dict(content), 'OCGs'))?.asArray() ?? [content];
    return layers.length > 0 && layers.every(this.isHidden);
  }

  #object(value: PDFObject | undefined, around: PDFDict | undefined): ReturnType<Resources['object']> {
    const dict = this.dict(value);
    if (this.#isHiddenContent(this.entry(dict, 'OC'))) return undefined;
    const kind = this.name(this.entry(dict, 'Subtype'));
    if (kind === 'Image') return 'picture';
    if (kind !== 'Form' || !dict) return undefined;
    const matrix = this.numbers(this.entry(dict, 'Matrix'));
    return {
      self: dict,
      operations: operationsOf(this.bytes(value)),
      matrix: matrix?.length === 6 ? (matrix as unknown as Matrix) : IDENTITY,
      resources: this.resources(this.dict(this.entry(dict, 'Resources')) ?? around),
    };
  }

  #state(dict: PDFDict | undefined): GraphicsValues {
    const number = (key: string): number | undefined => this.number(this.entry(dict, key));
    const mask = this.any(this.entry(dict, 'SMask'));
    const blend = this.name(this.entry(dict, 'BM'));
    const values: GraphicsValues = {
      width: number('LW'),
      cap: number('LC'),
      join: number('LJ'),
      miter: number('ML'),
      fillAlpha: number('ca'),
      strokeAlpha: number('CA'),
      isMasked: mask && this.name(mask) !== 'None',
      isBlended: blend === undefined ? undefined : blend !== 'Normal' && blend !== 'Compatible',
    };
    return Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined));
  }

  #space(value: PDFObject | undefined, depth = 0): ColourSpace {
    const array = this.array(value);
    const kind = this.name(array ? array.get(0) : value);
    const known = kind === undefined ? undefined : SPACES.get(kind);
    if (known !== undefined || !array || depth > DEEPEST) return known ?? 'gray';
    if (kind === 'ICCBased') return BY_COUNT[this.number(this.entry(this.dict(array.get(1)), 'N')) ?? 0] ?? 'gray';
    if (kind !== 'Separation' && kind !== 'DeviceN')
      return this.#space(array.size() > 1 ? array.get(1) : undefined, depth + 1);
    const tint = this.#function(array.get(3));
    return { alternate: this.#space(array.get(2), depth + 1), toAlternate: (n) => tint && valueOf(tint, n) };
  }

  #function(value: PDFObject | undefined, depth = 0): FunctionParts | undefined {
    const dict = this.dict(value);
    if (!dict || depth > DEEPEST) return undefined;
    const numbers = (key: string): number[] | undefined => this.numbers(this.entry(dict, key));
    const type = this.number(this.entry(dict, 'FunctionType')) ?? -1;
    const inner = this.array(this.entry(dict, 'Functions'))?.asArray();
    return {
      type,
      domain: numbers('Domain') ?? [],
      c0: numbers('C0'),
      c1: numbers('C1'),
      exponent: this.number(this.entry(dict, 'N')),
      functions: inner
        ?.slice(0, LIMITS.drawingColours)
        .map((one) => this.#function(one, depth + 1) ?? { type: -1, domain: [] }),
      bounds: numbers('Bounds'),
      encode: numbers('Encode'),
      samples: type === 0 ? this.#samples(value, dict) : undefined,
    };
  }

  /** Of whole bytes, over one number, as shares of their range. */
  #samples(value: PDFObject | undefined, dict: PDFDict): number[][] {
    const [size, ...more] = this.numbers(this.entry(dict, 'Size')) ?? [];
    const range = this.numbers(this.entry(dict, 'Range')) ?? [];
    const wide = (this.number(this.entry(dict, 'BitsPerSample')) ?? 0) / 8;
    if (more.length > 0 || !(wide === 1 || wide === 2)) return [];
    const bytes = this.bytes(value);
    const outputs = range.length / 2;
    return Array.from({ length: Math.min(size, Math.floor(bytes.length / Math.max(1, outputs * wide))) }, (_, i) =>
      Array.from({ length: outputs }, (_none, k) => {
        const at = wide * (i * outputs + k);
        const share = wide === 1 ? bytes[at] / 255 : (256 * bytes[at] + bytes[at + 1]) / 65_535;
        return range[2 * k] + share * (range[2 * k + 1] - range[2 * k]);
      }),
    );
  }

  /** Of a shading; a tiling has none. */
  #firstColour(pattern: PDFDict | undefined): string {
    const shading = this.dict(this.entry(pattern, 'Shading'));
    if (!shading) return pattern ? TILED : BLACK;
    const parts = this.#function(this.entry(shading, 'Function'));
    const first = parts && valueOf(parts, [parts.domain[0] ?? 0]);
    return first ? colourOf(this.#space(this.entry(shading, 'ColorSpace')), first) : TILED;
  }
}

const DEEPEST = 8;
const SPACES = new Map<string, ColourSpace>([
  ['DeviceGray', 'gray'],
  ['CalGray', 'gray'],
  ['G', 'gray'],
  ['DeviceRGB', 'rgb'],
  ['CalRGB', 'rgb'],
  ['RGB', 'rgb'],
  ['DeviceCMYK', 'cmyk'],
  ['CMYK', 'cmyk'],
  ['Lab', 'lab'],
  ['Pattern', 'pattern'],
]);
const BY_COUNT: readonly (ColourSpace | undefined)[] = [undefined, 'gray', undefined, 'rgb', 'cmyk'];
