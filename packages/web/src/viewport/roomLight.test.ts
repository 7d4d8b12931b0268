import { DataUtils, type DataTexture } from 'three';
import { roomLight, type Radiance } from './roomLight.ts';

/**
 * What a level says of a direction: the middle of the face it points to, x turned round as three.js does it for such
 * cubes.
 */
function at(radiance: Radiance, level: number, face: number): number[] {
  const light = roomLight(radiance);
  const cube = level === 0 ? light : light.mipmaps[level - 1];
  const { data, width } = ((cube as typeof light).image as DataTexture[])[face].image as {
    data: Uint16Array;
    width: number;
  };
  const pixel = 4 * (width * (width >> 1) + (width >> 1));
  return Array.from(data.subarray(pixel, pixel + 3), (half) => DataUtils.fromHalfFloat(half));
}

const [RIGHT, LEFT, ABOVE, BELOW] = [0, 1, 2, 3];

test('a room that glows alike everywhere does so for every roughness', () => {
  for (let level = 0; level <= 3; level++) {
    for (const value of at(() => [0.25, 0.5, 2], level, ABOVE).map((value, k) => value / [0.25, 0.5, 2][k])) {
      expect(value).toBeCloseTo(1, 3);
    }
  }
});

test('fully rough, a surface takes the light of half the room by its slant', () => {
  // the mean of the cosine over a hemisphere, weighted by itself, is two thirds
  const above = at((_, y) => [Math.max(0, y), 0, 0], 3, ABOVE)[0];
  expect(Math.abs(above - 2 / 3)).toBeLessThan(0.02);
  expect(at((_, y) => [Math.max(0, y), 0, 0], 3, BELOW)[0]).toBeLessThan(0.01);
});

test('what glows on the right is seen on the right, softer the rougher', () => {
  const lamp: Radiance = (x) => [x > 0.95 ? 8 : 0, 0, 0];
  const seen = [0, 1, 2, 3].map((level) => at(lamp, level, LEFT)[0]);
  expect(seen[0]).toBeCloseTo(8, 1);
  for (let level = 1; level <= 3; level++) expect(seen[level]).toBeLessThanOrEqual(seen[level - 1] + 0.01);
  expect(seen[3]).toBeLessThan(1.5);
  expect(at(lamp, 0, RIGHT)[0]).toBe(0);
});
