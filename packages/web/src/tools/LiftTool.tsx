import { useOpenParts } from '../bench/index.ts';
import { Lift } from '../viewport/index.ts';

/** Pixels by which the view gives way to the section's card. */
const SECTION_LIFT = 180;

/** Everything is shown further up while the section's card covers the view's foot. */
export function LiftTool() {
  return useOpenParts().showsSection ? <Lift pixels={SECTION_LIFT} /> : null;
}
