import type { SceneView } from '@fictile/core';
import { Color, type CubeTexture } from 'three';
import { roomLight, type Radiance } from './roomLight.ts';

type ColourTriple = readonly [number, number, number];

/** A glowing slab of the room whose light falls on the pieces. */
interface Pane {
  at: ColourTriple;
  size: ColourTriple;
  colour: string;
  strength: number;
}

/** A lamp as it stands, in multiples of the scene's reach from its middle; one of them throws the shadow. */
export interface Lamp {
  from: ColourTriple;
  colour: string;
  strength: number;
}

export interface Look {
  /** colours and strengths of right, left, ceiling, floor, front and back of the room */
  walls: readonly (readonly [string, number])[];
  panes: readonly Pane[];
  /** how strongly the room lights the pieces */
  around: number;
  key: Lamp;
  rim: Lamp | undefined;
  shadow: { colour: string; opacity: number };
  /** behind everything, from above to below; none: the page's own table */
  backdrop: readonly [string, string] | undefined;
}

/** A tall window of panes with dark bars between. */
const window: Pane[] = [-1, 1].flatMap((across) =>
  [0.2, 3.2].map((up) => ({
    at: [-9.6, up, 2.4 + across * 2] as const,
    size: [0.2, 2.6, 3.4] as const,
    colour: '#fff1d8',
    strength: 15,
  })),
);

/** Where the pieces can be shown: light that the application makes itself, and the table they stand on. */
export const LOOKS: Readonly<Record<SceneView['surroundings'], Look>> = {
  daylight: {
    walls: [
      ['#d9cdb8', 0.55],
      ['#eef2f7', 1.5],
      ['#f7f3ea', 1.35],
      ['#a88f6d', 0.45],
      ['#efe9dd', 0.9],
      ['#cbbda4', 0.5],
    ],
    panes: [{ at: [-9.5, 1.5, 3], size: [0.2, 7, 9], colour: '#ffffff', strength: 6 }],
    around: 0.75,
    key: { from: [-0.55, 1.3, 1.1], colour: '#fff3e2', strength: 2.1 },
    rim: undefined,
    shadow: { colour: '#4a3520', opacity: 0.3 },
    backdrop: undefined,
  },
  window: {
    walls: [
      ['#8c8478', 0.4],
      ['#8a8279', 0.4],
      ['#c3bbae', 0.6],
      ['#8a6f50', 0.35],
      ['#a9a196', 0.55],
      ['#6b6257', 0.3],
    ],
    panes: window,
    around: 0.8,
    key: { from: [-1.3, 0.85, 1.25], colour: '#ffe4b8', strength: 3.6 },
    rim: { from: [1.2, 0.5, -0.8], colour: '#b9c7dd', strength: 0.7 },
    shadow: { colour: '#2c1c0c', opacity: 0.5 },
    backdrop: ['#d5d0c6', '#a89a86'],
  },
  kiln: {
    walls: [
      ['#4a2c1c', 0.5],
      ['#22304f', 0.8],
      ['#1c2740', 0.6],
      ['#4a2a19', 0.3],
      ['#3a3a44', 0.6],
      ['#161a26', 0.4],
    ],
    panes: [
      { at: [8.5, -2.6, 3.5], size: [0.2, 3.4, 4], colour: '#ff8a34', strength: 16 },
      { at: [-8, 4.5, -4], size: [0.2, 2, 2], colour: '#9db8ff', strength: 5 },
    ],
    around: 1,
    key: { from: [-0.6, 1.2, 1.2], colour: '#e6e6ee', strength: 2.3 },
    rim: { from: [1.4, 0.35, 0.3], colour: '#ff8f45', strength: 3.4 },
    shadow: { colour: '#000000', opacity: 0.6 },
    backdrop: ['#211d21', '#3a2a22'],
  },
};

/** The light that a room sheds from all around; made once for each. */
export function lightAround(look: Look): CubeTexture {
  const made = lights.get(look) ?? roomLight(glowOf(look));
  lights.set(look, made);
  return made;
}

const lights = new WeakMap<Look, CubeTexture>();

/** of the room, along each axis */
const HALF: ColourTriple = [10, 6, 10];
const linear = (colour: string, strength: number): ColourTriple => {
  const { r, g, b } = new Color(colour).multiplyScalar(strength);
  return [r, g, b];
};

/** What is seen from the middle of a small room of glowing walls, with panes that hang before them. */
function glowOf({ walls, panes }: Look): Radiance {
  const colours = walls.map(([colour, strength]) => linear(colour, strength));
  const lit = panes.map(({ at, size, colour, strength }) => ({
    from: at.map((middle, k) => middle - size[k] / 2),
    to: at.map((middle, k) => middle + size[k] / 2),
    colour: linear(colour, strength),
  }));
  return (...towards) => {
    for (const { from, to, colour } of lit) if (isSeen(from, to, towards)) return colour;
    const [x, y, z] = towards.map((value, k) => value / HALF[k]);
    const most = Math.max(Math.abs(x), Math.abs(y), Math.abs(z));
    if (most === Math.abs(x)) return colours[x > 0 ? 0 : 1];
    if (most === Math.abs(y)) return colours[y > 0 ? 2 : 3];
    return colours[z > 0 ? 4 : 5];
  };
}

/** A box, from its corners, by slabs: Kay and Kajiya 1986. */
function isSeen(from: readonly number[], to: readonly number[], towards: ColourTriple): boolean {
  let [near, far] = [0, Infinity];
  for (let k = 0; k < 3; k++) {
    const [a, b] = [from[k] / towards[k], to[k] / towards[k]];
    near = Math.max(near, Math.min(a, b));
    far = Math.min(far, Math.max(a, b));
  }
  return near < far;
}
