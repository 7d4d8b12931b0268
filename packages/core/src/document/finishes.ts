import type { Finish, Slots } from './schema.ts';

const finish = (name: string, colour: string, gloss: number, metal = 0, glow = 0): Finish => ({
  name,
  colour,
  gloss,
  metal,
  glow,
});

/** Clays, glazes and lustres to start from. */
export const SHELF_FINISHES: readonly Finish[] = [
  finish('terracotta', '#b45f3c', 28),
  finish('sienna slip', '#c87950', 50),
  finish('buff stoneware', '#c9b08a', 22),
  finish('basalt', '#2f2c2b', 34),
  finish('bone glaze', '#f7e8c9', 58),
  finish('celadon', '#8fb59a', 78),
  finish('cobalt wash', '#2c4f9e', 70),
  finish('salt grey', '#9a9ba0', 58),
  finish('oxblood', '#7a1f1c', 80),
  finish('honey', '#c98a2b', 82),
  finish('ink', '#23262d', 55),
  finish('chalk', '#f7f5f0', 12),
  finish('gold lustre', '#d9a642', 82, 95),
  finish('copper lustre', '#c1764d', 76, 90),
  finish('ember', '#ff7a2a', 30, 0, 80),
];

export const findFinish = (name: string): Finish => SHELF_FINISHES.find((f) => f.name === name) ?? SHELF_FINISHES[0];

/** Fired clay with a bone glaze on its faces, as long as nobody chose otherwise. */
export const usualSlots = (): Slots => ({
  front: findFinish('bone glaze'),
  frontEdge: findFinish('sienna slip'),
  wall: findFinish('terracotta'),
  backEdge: findFinish('sienna slip'),
  back: findFinish('bone glaze'),
  backAsFront: false,
});
