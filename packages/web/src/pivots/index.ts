export { PivotValue } from './PivotValue.tsx';
export type { PivotMark } from './pivotMarks.ts';
export { usePivoting, type Pivoting } from './usePivoting.ts';
