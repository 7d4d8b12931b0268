import type { Named, QuickStage } from '../../base/index.ts';
import { meshBytes, type PolygonMesh } from '../../mesh/index.ts';
import { alongDepth, type AlongDepth, type DepthFrame, type DepthLevels } from '../../solid/index.ts';

export interface AlongInputs {
  solid: Named<PolygonMesh>;
  frame: DepthFrame;
  depths: DepthLevels;
  along: AlongDepth;
}

/** Solids changed from front to back. */
export const ALONG_DEPTH: QuickStage<AlongInputs, unknown, PolygonMesh> = {
  name: 'along depth',
  make: ({ solid, frame, depths, along }) => alongDepth(solid.of, { frame, depths, along }),
  bytesOf: meshBytes,
};
