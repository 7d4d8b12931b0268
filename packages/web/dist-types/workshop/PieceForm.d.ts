import { type Piece, type Remark } from '@fictile/core';
import type { ProjectStore } from '../store/index.ts';
interface PieceFormProps {
  piece: Piece;
  store: ProjectStore;
  remarks: readonly Remark[];
}
/** Words and solid of a piece as plain fields. */
export declare function PieceForm({ piece, store, remarks }: PieceFormProps): import('react').JSX.Element;
export {};
//# sourceMappingURL=PieceForm.d.ts.map
