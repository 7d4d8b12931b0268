import { fail, LIMITS, ok, remark, type DrawingSkip, type Result } from '../../base/index.ts';
import { readSvg, type ReadDrawing } from '../svg/readSvg.ts';
import { operationsOf } from './contentTokens.ts';
import { Objects, type Library } from './page.ts';
import { Painter } from './painter.ts';

/** A point is a 72nd of an inch, a user unit of a drawing a 96th. */
const UNITS_PER_POINT = 96 / 72;

/**
 * The first page of a PDF file (ISO 32000-1) -> a drawing in its own size, like that of an SVG file: what is filled and
 * stroked, with its colours. Text that is not outlined, pictures, clips and blending are left out or off, and told;
 * nothing in the file is run or fetched.
 */
export async function readPdf(bytes: Uint8Array): Promise<Result<ReadDrawing>> {
  const library = await import('pdf-lib');
  const opened = await open(library, bytes);
  if (!opened.ok) return opened;
  const { objects, page, more } = opened.value;
  const painter = new Painter();
  const tooMany = painter.run(operationsOf(contentsOf(objects, page.contents)), objects.resources(page.resources));
  if (tooMany !== undefined) return fail('TOO_LARGE', { what: 'drawing', size: tooMany, limit: LIMITS.pdfOperations });
  const { elements, skipped } = painter;
  if (elements.length === 0) return fail('DRAWING_EMPTY', { skipped: [...skipped.keys()].join(' ') });
  // up is up, and the page stands as it is turned when it is read
  const turn = `rotate(${page.turnDegrees}) scale(${UNITS_PER_POINT} ${-UNITS_PER_POINT})`;
  const read = readSvg(`<svg xmlns="http://www.w3.org/2000/svg"><g transform="${turn}">${elements.join('')}</g></svg>`);
  if (!read.ok) return read;
  const told = [...skipped, ...(more > 0 ? [['pages', more] as const] : [])];
  return ok({ ...read.value, remarks: [...read.value.remarks, ...told.map(skippedRemark)] });
}

const skippedRemark = ([what, count]: readonly [DrawingSkip, number]) => remark('DRAWING_SKIPPED', { what, count });

interface Opened {
  objects: Objects;
  page: { contents: unknown; resources: ReturnType<Objects['dict']>; turnDegrees: number };
  /** pages after the first */
  more: number;
}

/** What is locked or damaged is told. */
async function open(library: Library, bytes: Uint8Array): Promise<Result<Opened>> {
  try {
    const how = { updateMetadata: false, ignoreEncryption: true, throwOnInvalidObject: true };
    const file = await library.PDFDocument.load(bytes, how);
    if (file.isEncrypted) return fail('DRAWING_BROKEN', { line: 0, why: 'locked' });
    const [first, ...rest] = file.getPages();
    const { PDFName } = library;
    const layers = file.catalog.lookupMaybe(PDFName.of('OCProperties'), library.PDFDict);
    const usual = layers?.lookupMaybe(PDFName.of('D'), library.PDFDict);
    const off = usual?.lookupMaybe(PDFName.of('OFF'), library.PDFArray)?.asArray() ?? [];
    const objects = new Objects(library, file.context, off);
    const { Contents: contents, Resources: resources } = first.node.normalizedEntries();
    return ok({
      objects,
      page: { contents, resources: objects.dict(resources), turnDegrees: first.getRotation().angle },
      more: rest.length,
    });
  } catch {
    return fail('DRAWING_BROKEN', { line: 0, why: 'pdf' });
  }
}

/** All streams of a page, one after the other. */
function contentsOf(objects: Objects, contents: unknown): Uint8Array {
  const streams = objects.array(contents as never)?.asArray() ?? [];
  const parts = streams.map((one) => objects.bytes(one));
  const all = new Uint8Array(parts.reduce((sum, { length }) => sum + length + 1, 0)).fill(0x20);
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length + 1;
  }
  return all;
}
