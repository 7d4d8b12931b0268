export { Checks } from './Checks.tsx';
export { OnceChecks } from './OnceChecks.tsx';
export { CheckRows } from './CheckRows.tsx';
export { AimSentence, useAim } from './Aim.tsx';
export { ChartFold } from './ChartFold.tsx';
export { judge } from './judge.ts';
export type { CheckCure, Painted } from './definition.ts';
