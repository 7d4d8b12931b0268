import type { Named, QuickStage } from '../../base/index.ts';
import type { EdgeLine } from '../../mesh/index.ts';
import type { Target } from '../../surface/index.ts';

const BYTES_OF_PLACE = 100;

export interface EdgeLineInputs {
  target: Named<Target>;
  /** near which it is looked for, mm */
  at: EdgeLine['up'];
}

/** The edge of a model nearest to a place; none is remembered as well. */
export const EDGE_LINE: QuickStage<EdgeLineInputs, unknown, { line: EdgeLine | undefined }> = {
  name: 'edge line',
  make: ({ target, at }) => ({ line: target.of.edgeLine(at) }),
  bytesOf: ({ line }) => BYTES_OF_PLACE * (1 + (line?.places.length ?? 0)),
};
