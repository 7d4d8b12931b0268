import type { Finish, Slots } from './schema.ts';

/** Clays, glazes and lustres to start from. */
export const SHELF_FINISHES: readonly Finish[] = [
  { name: 'terracotta', colour: '#b45f3c', gloss: 28, metal: 0, glow: 0 },
  { name: 'sienna slip', colour: '#c87950', gloss: 50, metal: 0, glow: 0 },
  { name: 'buff stoneware', colour: '#c9b08a', gloss: 22, metal: 0, glow: 0 },
  { name: 'basalt', colour: '#2f2c2b', gloss: 34, metal: 0, glow: 0 },
  { name: 'bone glaze', colour: '#f7e8c9', gloss: 58, metal: 0, glow: 0 },
  { name: 'celadon', colour: '#8fb59a', gloss: 78, metal: 0, glow: 0 },
  { name: 'cobalt wash', colour: '#2c4f9e', gloss: 70, metal: 0, glow: 0 },
  { name: 'salt grey', colour: '#9a9ba0', gloss: 58, metal: 0, glow: 0 },
  { name: 'oxblood', colour: '#7a1f1c', gloss: 80, metal: 0, glow: 0 },
  { name: 'honey', colour: '#c98a2b', gloss: 82, metal: 0, glow: 0 },
  { name: 'ink', colour: '#23262d', gloss: 55, metal: 0, glow: 0 },
  { name: 'chalk', colour: '#f7f5f0', gloss: 12, metal: 0, glow: 0 },
  { name: 'gold lustre', colour: '#d9a642', gloss: 82, metal: 95, glow: 0 },
  { name: 'copper lustre', colour: '#c1764d', gloss: 76, metal: 90, glow: 0 },
  { name: 'ember', colour: '#ff7a2a', gloss: 30, metal: 0, glow: 80 },
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
