export { PivotValue } from './PivotValue.tsx';
export { isAt, type PivotMark } from './pivotMarks.ts';
export { usePivoting, type Pivoting } from './usePivoting.ts';
