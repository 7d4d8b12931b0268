import { utf8Text, type Result } from '../base/index.ts';
import { readPdf } from './pdf/readPdf.ts';
import { readSvg, type ReadDrawing } from './svg/readSvg.ts';

/** Some programs write a few bytes before the first line. */
const WITHIN = 1024;

const isPdf = (bytes: Uint8Array): boolean => String.fromCharCode(...bytes.subarray(0, WITHIN)).includes('%PDF-');

/** An SVG or PDF file -> a drawing in its natural size. */
export async function readDrawing(bytes: Uint8Array): Promise<Result<ReadDrawing>> {
  return isPdf(bytes) ? readPdf(bytes) : readSvg(utf8Text(bytes));
}
