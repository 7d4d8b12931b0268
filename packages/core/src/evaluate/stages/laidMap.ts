import type { Named, QuickStage } from '../../base/index.ts';
import { layOnto, type Laying, type LayOptions, type SurfaceMap, type Target } from '../../surface/index.ts';

export interface LayInputs {
  target: Named<Target>;
  laying: Laying;
  options: LayOptions;
}

/** A plane laid onto a model; one that met nothing is remembered as well. */
export const LAID_MAP: QuickStage<LayInputs, unknown, { map: SurfaceMap | undefined }> = {
  name: 'laying',
  make: ({ target, laying, options }) => ({ map: layOnto(target.of, laying, options) }),
  bytesOf: ({ map }) => 1000 + (map?.grid.nodes.byteLength ?? 0),
};
