import { ByteCache, LIMITS, QuickMemo, remark, type Remark, type StageLog } from '../base/index.ts';
import { edgeStepsOf, type Piece } from '../document/index.ts';
import { turnedOutward, type EdgeLine } from '../mesh/index.ts';
import type { FoundLines } from './foundLines.ts';
import { namedTarget, type Under } from './ground.ts';
import { EDGE_LINE, type EdgeLineInputs } from './stages/edgeLine.ts';

/** Finds the edges of models that steps run along; keeps what it found. */
export class EdgeLines {
  readonly #found: QuickMemo<EdgeLineInputs, unknown, { line: EdgeLine | undefined }>;

  constructor(bytes: number, log?: StageLog) {
    this.#found = new QuickMemo(EDGE_LINE, new ByteCache(bytes), log);
  }

  of(piece: Piece, { grounds }: Under): { lines: FoundLines; remarks: Remark[] } {
    const lines: Record<string, FoundLines[string]> = {};
    const remarks: Remark[] = [];
    for (const step of edgeStepsOf(piece)) {
      const ground = grounds.get(step.id);
      const line = ground && this.#found.get({ target: namedTarget(ground), at: step.path.atMm }, undefined).of.line;
      if (line)
        lines[step.id] = asPath(turnedOutward(line, step.up === 'upright' ? [0, 1, 0] : line.up, step.path.reversed));
      else if (ground) remarks.push(remark('RUN_NOTHING', { stepId: step.id }));
    }
    return { lines, remarks };
  }
}

/** Of a line with more places than a document may hold only every second, third and so on. */
function asPath({ places, closed, up }: EdgeLine): FoundLines[string] {
  const each = Math.ceil(places.length / LIMITS.placesOfLine);
  const last = places.length - 1;
  return { kind: 'places', placesMm: places.filter((_, i) => i % each === 0 || (i === last && !closed)), closed, up };
}
