import type { StepOfKind } from '@fictile/core';

type Heights = Pick<StepOfKind<'relief'>, 'columns' | 'rows' | 'heights'>;

/** Longest side of a picture that is kept, in its points. */
const MOST = 256;

/** A picture's lightness, made smaller where it has more points than are kept; undefined where it is no picture. */
export async function readHeights(file: File): Promise<Heights | undefined> {
  const picture = await createImageBitmap(file).catch(() => undefined);
  if (!picture) return undefined;
  const scale = Math.min(1, MOST / Math.max(picture.width, picture.height));
  const columns = Math.max(1, Math.round(picture.width * scale));
  const rows = Math.max(1, Math.round(picture.height * scale));
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [columns, rows];
  const brush = canvas.getContext('2d');
  if (!brush) return undefined;
  brush.drawImage(picture, 0, 0, columns, rows);
  const { data } = brush.getImageData(0, 0, columns, rows);
  let bytes = '';
  for (let i = 0; i < data.length; i += 4) {
    // Rec. 709, what shines through counts as black
    const light = (0.2126 * data[i] + 0.7152 * data[i + 1] + 0.0722 * data[i + 2]) * (data[i + 3] / 255);
    bytes += String.fromCharCode(Math.round(light));
  }
  return { columns, rows, heights: btoa(bytes) };
}
