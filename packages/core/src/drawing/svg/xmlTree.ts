import { SaxesParser } from 'saxes';
import { fail, LIMITS, ok, type Result } from '../../base/index.ts';

/** An element of an SVG file, names without their namespace's prefix. */
export interface SvgNode {
  name: string;
  attributes: Readonly<Record<string, string>>;
  children: SvgNode[];
  parent: SvgNode | undefined;
  /** what stands between its tags */
  text: string;
}

const SVG_NAMESPACE = 'http://www.w3.org/2000/svg';
const DEEPEST = 200;

/**
 * SVG text -> its tree. Entities that a file declares are not known to the parser, which makes them errors: nothing can
 * grow out of them. Elements of other namespaces are left out with all they hold.
 */
export function parseSvgTree(text: string): Result<SvgNode> {
  if (text.length > LIMITS.svgBytes)
    return fail('TOO_LARGE', { what: 'drawing', size: text.length, limit: LIMITS.svgBytes });
  const reader = new TreeReader();
  try {
    reader.read(text);
  } catch (error) {
    if (error instanceof TreeFault) return error.result;
    throw error;
  }
  return reader.root ? ok(reader.root) : fail('DRAWING_BROKEN', { line: 0, why: 'not-svg' });
}

class TreeFault extends Error {
  readonly result: Result<never>;

  constructor(result: Result<never>) {
    super('no SVG tree');
    this.result = result;
  }
}

class TreeReader {
  root: SvgNode | undefined;
  #at: SvgNode | undefined;
  #foreign = 0;
  #count = 0;
  #depth = 0;

  read(text: string): void {
    const parser = new SaxesParser({ xmlns: true, position: true });
    parser.on('error', () => {
      throw new TreeFault(fail('DRAWING_BROKEN', { line: parser.line, why: this.#count === 0 ? 'not-svg' : 'xml' }));
    });
    parser.on('opentag', ({ local, uri, attributes }) => {
      const isSvg = uri === SVG_NAMESPACE || (uri === '' && (this.root !== undefined || local === 'svg'));
      if (this.#count === 0 && !(isSvg && local === 'svg'))
        throw new TreeFault(fail('DRAWING_BROKEN', { line: parser.line, why: 'not-svg' }));
      if (++this.#count > LIMITS.svgElements || ++this.#depth > DEEPEST)
        throw new TreeFault(fail('TOO_LARGE', { what: 'drawing', size: this.#count, limit: LIMITS.svgElements }));
      if (!isSvg || this.#foreign > 0) this.#foreign++;
      else this.#open(local, attributes);
    });
    parser.on('closetag', () => {
      this.#depth--;
      if (this.#foreign > 0) this.#foreign--;
      else this.#at = this.#at?.parent;
    });
    const put = (data: string): void => {
      if (this.#at && this.#foreign === 0) this.#at.text += data;
    };
    parser.on('text', put);
    parser.on('cdata', put);
    parser.write(text).close();
  }

  #open(name: string, attributes: Record<string, { local: string; value: string }>): void {
    const node: SvgNode = {
      name,
      attributes: Object.fromEntries(Object.values(attributes).map((a) => [a.local, a.value])),
      children: [],
      parent: this.#at,
      text: '',
    };
    this.#at?.children.push(node);
    this.root ??= node;
    this.#at = node;
  }
}
