import type { Shades } from '@fictile/core';

/** Pixels on the longer side: an outline needs no more, and tracing stays quick. */
const LONGEST = 1200;

/**
 * What of a picture lets light through counts as light; its colours by how bright they look (Rec. 709). Undefined: no
 * picture that the browser knows.
 */
export async function shadesOf(file: Blob): Promise<Shades | undefined> {
  const image = await createImageBitmap(file).catch(() => undefined);
  if (!image) return undefined;
  const share = Math.min(1, LONGEST / Math.max(image.width, image.height));
  const [width, height] = [image.width, image.height].map((side) => Math.max(1, Math.round(side * share)));
  const context = new OffscreenCanvas(width, height).getContext('2d');
  if (!context) return undefined;
  context.fillStyle = '#fff';
  context.fillRect(0, 0, width, height);
  context.drawImage(image, 0, 0, width, height);
  image.close();
  const { data } = context.getImageData(0, 0, width, height);
  const values = new Float32Array(width * height).map(
    (_, i) => 0.2126 * data[4 * i] + 0.7152 * data[4 * i + 1] + 0.0722 * data[4 * i + 2],
  );
  return { width, height, values };
}
