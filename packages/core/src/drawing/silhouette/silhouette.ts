import { fail, LIMITS, ok, type Result } from '../../base/index.ts';
import { angle, count, flag, share, usualOf, type ValuesOf } from '../../fields/index.ts';
import { PathWriter } from '../pathText.ts';
import { readSvg, type ReadDrawing } from '../svg/readSvg.ts';
import { blurred, contours, type PixelContour, type Shades } from './contours.ts';
import { drawContour } from './curves.ts';

/** What of a picture is ink, and how its outline runs. */
export const SILHOUETTE = {
  /** of full light: what is darker is ink */
  darkerPercent: share(1, 99, { usual: 50 }),
  /** what is lighter is ink instead */
  inverted: flag(false),
  /**
   * the picture is softened over so many pixels, and curves stray from its edge by up to half a pixel and a quarter of
   * that
   */
  smoothPx: count(0, 20, { usual: 1 }),
  /** sharper turns stay corners */
  cornerDegrees: angle(5, 175, { usual: 50, step: 5 }),
  /** smaller spots, of ink or within it, are left out: pixels */
  speckPx: count(0, 100_000, { usual: 12 }),
};
export type SilhouetteOptions = ValuesOf<typeof SILHOUETTE>;

export const usualSilhouette = (): SilhouetteOptions => usualOf(SILHOUETTE);

/** The outlines of what is dark in a picture -> a drawing of one colour, a pixel a user unit. */
export function silhouette(shades: Shades, options: SilhouetteOptions): Result<ReadDrawing> {
  const { width, height, values } = shades;
  if (width * height > LIMITS.picturePixels)
    return fail('TOO_LARGE', { what: 'pixels of a picture', size: width * height, limit: LIMITS.picturePixels });
  const { darkerPercent, inverted, smoothPx, cornerDegrees, speckPx } = options;
  const seen = inverted ? { width, height, values: values.map((light) => 255 - light) } : shades;
  const percent = inverted ? 100 - darkerPercent : darkerPercent;
  const level = Math.min(254.5, Math.max(0.5, (255 * percent) / 100));
  const found = contours(blurred(seen, Math.round(smoothPx)), level).filter((one) => areaOf(one) >= speckPx);
  if (found.length === 0) return fail('DRAWING_EMPTY', { skipped: 'picture' });
  const pen = new PathWriter();
  for (const contour of found) drawContour(contour, { cornerDegrees, strayPx: 0.5 + smoothPx / 4 }, pen);
  const read = readSvg(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><path fill-rule="evenodd" ` +
      `d="${pen.text}"/></svg>`,
  );
  if (!read.ok) return read;
  const { shape, ...rest } = read.value;
  // a picture has pixels, not millimetres: whole ones will do
  const sizeMm = Math.max(1, Math.round(shape.sizeMm));
  return ok({ ...rest, shape: { ...shape, sizeMm, colours: shape.colours.map((one) => ({ ...one, name: INK })) } });
}

/** What its only colour is called: it is as the piece's own finishes say. */
const INK = 'ink';

/** Square pixels, whichever way it runs. */
function areaOf(contour: PixelContour): number {
  let sum = 0;
  for (let i = 0; i < contour.length; i += 2) {
    const j = (i + 2) % contour.length;
    sum += contour[i] * contour[j + 1] - contour[j] * contour[i + 1];
  }
  return Math.abs(sum) / 2;
}
