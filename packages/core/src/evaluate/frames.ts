import { ok, remark, type Remark, type Result } from '../base/index.ts';
import { goesWith, isGroup, itemOf, type Item, type Project } from '../document/index.ts';
import { afterwards, STILL, type Transform } from '../math/index.ts';
import type { Beside } from './beside.ts';
import { forLaying } from './cutter.ts';
import { letterFrame } from './onLetters.ts';
import { groupTransform } from './placement.ts';

/** In what something stands, and what is told where that is not as it was said. */
export interface FrameFound {
  frame: Transform;
  remarks: Remark[];
}

/** Where that stands with which a piece or a group goes along: what it hangs on, or else its group. */
export async function frameAlong(
  project: Project,
  item: Item,
  { beside }: { beside: Beside },
): Promise<Result<FrameFound>> {
  const along = goesWith(item);
  const other = along === undefined ? undefined : itemOf(project, along);
  if (!other) return ok({ frame: STILL, remarks: [] });
  if (isGroup(other)) {
    const outer = await frameAlong(project, other, { beside });
    if (!outer.ok) return outer;
    const { frame, remarks } = outer.value;
    return ok({ frame: afterwards(frame, groupTransform(other.placement)), remarks });
  }
  // what cuts another stands as that did before
  const stands = await beside(forLaying(project, item.id, other.id), other.id);
  if (!stands.ok) return stands;
  const { transform, letters } = stands.value;
  const letterId = item.hung?.letter ?? 0;
  if (letterId === 0) return ok({ frame: transform, remarks: [] });
  const letter = letters.find(({ id }) => id === letterId);
  if (!letter)
    return ok({ frame: transform, remarks: [remark('HUNG_LETTER_GONE', { itemId: item.id, on: other.id })] });
  return ok({ frame: afterwards(transform, letterFrame(other.steps, stands.value, letter)), remarks: [] });
}
