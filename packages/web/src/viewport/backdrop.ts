import type { SceneView } from '@fictile/core';
import { CanvasTexture, Color, SRGBColorSpace } from 'three';
import { LOOKS } from './surroundings.ts';

/** The two colours behind everything, from above to below; daylight takes the page's own table, light or dark. */
export function backdropOf(surroundings: SceneView['surroundings']): readonly [string, string] {
  const own = LOOKS[surroundings].backdrop;
  if (own) return own;
  const tokens = getComputedStyle(document.documentElement);
  return [tokens.getPropertyValue('--table-top').trim(), tokens.getPropertyValue('--table-foot').trim()];
}

/** Whether what is drawn on it has to be light. */
export const isDarkBackdrop = (surroundings: SceneView['surroundings']): boolean =>
  new Color(backdropOf(surroundings)[1]).getHSL({ h: 0, s: 0, l: 0 }, SRGBColorSpace).l < 0.4;

export function backdropTexture(colours: readonly [string, string]): CanvasTexture {
  const canvas = document.createElement('canvas');
  canvas.width = 2;
  canvas.height = 256;
  const brush = canvas.getContext('2d');
  if (brush) {
    const fall = brush.createLinearGradient(0, 0, 0, canvas.height);
    fall.addColorStop(0, colours[0]);
    fall.addColorStop(1, colours[1]);
    brush.fillStyle = fall;
    brush.fillRect(0, 0, canvas.width, canvas.height);
  }
  const texture = new CanvasTexture(canvas);
  texture.colorSpace = SRGBColorSpace;
  return texture;
}
