export { CopiesDialog } from './CopiesDialog.tsx';
export type { ToCopy } from './CopiesDialog.tsx';
export { LinkedLine } from './LinkedLine.tsx';
