import type { CureCode, CureParams } from '@fictile/core';
import { many, measured } from './figures.ts';

const shown = (value: number): number => Number(Math.abs(value).toPrecision(3));

/** Ways to lay letters, as an advice. */
export const LAY_WORDS: Readonly<Record<CureParams['LAY']['method'], string>> = {
  flat: 'Lay flat',
  round: 'Lay round',
  direction: 'Lay from one direction',
};

/** What the buttons of cures say. */
export const CURE_WORDS: { [C in CureCode]: (params: CureParams[C]) => string } = {
  RAISE: ({ mm }) => `Raise ${mm} mm`,
  JOIN_LETTERS: () => 'Join them',
  DEPTH: ({ mm }) => `${mm} mm deep`,
  RADIUS: ({ mm }) => `Use ${mm} mm`,
  SIZE: ({ mm }) => `Size ${mm} mm`,
  COARSER: () => 'Make it coarser',
  FINER: () => 'Make them finer',
  FINE_AS_NEEDED: () => 'As fine as the shape needs',
  CURVES_WITHIN: ({ mm }) => `Curves within ${mm} mm`,
  CELLS: ({ mm }) => `Cells of ${mm} mm`,
  STRENGTH: ({ value, unit }) => `Use ${measured(value, unit)}`,
  CLOSE_HOLES: () => 'Close its holes',
  JOIN_POINTS: () => 'Join its points',
  MAKE_SOLID: () => 'Remesh it first',
  FACE_OUTWARD: () => 'Turn it over',
  FEWER_FACES: ({ triangles }) => `Reduce to ${many(triangles)} triangles first`,
  KEEP_SO: () => 'Keep it so',
  LEAVE_OUT: () => 'Leave them out',
  TAKE_AWAY: () => 'Take the step away',
  MOVE_IN: ({ mm }) => `Move in by ${shown(mm)} mm`,
  HANG_ON_WHOLE: () => 'Hang it on the whole word',
  HOLD_NEAREST: () => 'Hold it at the nearest place',
  HOLD_MIDDLE: () => 'Hold it at the middle of the front',
  LAY: ({ method }) => LAY_WORDS[method],
  BEND_LETTERS: () => 'Let letters bend',
  LIFT: ({ mm }) => `${mm < 0 ? 'Sink' : 'Lift'} by ${shown(mm)} mm`,
  LAY_ON: () => 'Lay it on this piece',
  BRING: () => 'Bring it here',
  MAKE_ROOM: () => 'Make room',
  MOVE_A_LITTLE: ({ mm }) => `Move it by ${mm} mm`,
  RIM: ({ mm }) => `A rim of ${mm} mm`,
  SHARP_RIM: () => 'Make the rim sharp',
  NO_RING: () => 'No ring',
};
