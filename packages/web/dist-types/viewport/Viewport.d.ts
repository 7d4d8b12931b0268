import { type ShownPiece } from '@fictile/core';
import type { GeometryShelf } from './geometries.ts';
interface ViewportProps {
  pieces: readonly ShownPiece[];
  shelf: GeometryShelf;
  showEdges: boolean;
  /** grows by one when the view is to be fitted */
  fitRequest: number;
  label: string;
}
/** Draws the pieces; nothing here computes meshes. */
export declare function Viewport({
  pieces,
  shelf,
  showEdges,
  fitRequest,
  label,
}: ViewportProps): import('react').JSX.Element;
export {};
//# sourceMappingURL=Viewport.d.ts.map
