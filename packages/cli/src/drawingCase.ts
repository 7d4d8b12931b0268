import { basename } from 'node:path';
import { drawingSize, newDrawing, readDrawing, usualDrawing, type Drawing, type Edit, type Step } from '@fictile/core';
import { bodyEdits, contourOf, defined } from './bodyFlags.ts';
import type { FlagName, Flags } from './flags.ts';
import { readGiven } from './givenFile.ts';
import { fault, faultOf } from './messages.ts';
import type { StartedCase } from './wordsCase.ts';

/** What only words have. */
const OF_WORDS: readonly FlagName[] = [
  'text',
  'font',
  'weight',
  'size',
  'align',
  'anchor',
  'tracking',
  'leading',
  'kerning',
  'features',
  'lang',
  'direction',
  'letters',
  'axis',
  'slant',
  'width-scale',
  'height-scale',
  'around',
  'around-side',
];

/** A case of a drawing. */
export async function drawingCase(flags: Flags, onto?: Step): Promise<StartedCase> {
  const path = flags.svg as string;
  const stray = OF_WORDS.find((name) => flags[name] !== undefined);
  if (stray !== undefined)
    throw fault('FLAG_VALUE', `--${stray} is for words; --svg builds a drawing. Leave one of them out.`);
  const bytes = await readGiven(path, `The drawing ${path}`);
  const read = await readDrawing(bytes);
  if (!read.ok) throw faultOf(read.error);
  const { shape, title, remarks } = read.value;
  const name = title || basename(path).replace(/\.(svg|pdf)$/i, '');
  const piece = newDrawing('drawing', name, usualDrawing({ ...shape, ...fitted(shape, flags) }));
  const values: Extract<Edit, { kind: 'setDrawing' }>['values'] = defined({
    contour: contourOf(flags),
    depthAnchor: flags['depth-anchor'],
  });
  return {
    piece,
    edits: [{ kind: 'setDrawing', pieceId: piece.id, values }, ...(await bodyEdits(flags, piece, onto))],
    remarks,
  };
}

type PathsShape = Extract<Drawing['shape'], { kind: 'paths' }>;

/** Its own size, or what it is to fill. */
function fitted(shape: PathsShape, flags: Flags): Partial<Pick<PathsShape, 'by' | 'sizeMm'>> {
  const { 'fit-width': width, 'fit-height': height } = flags;
  if (width === undefined && height === undefined) return {};
  const { widthMm, heightMm } = drawingSize(shape);
  if (height === undefined || (width !== undefined && width * heightMm <= height * widthMm))
    return { by: 'width', sizeMm: width };
  return { by: 'height', sizeMm: height };
}
