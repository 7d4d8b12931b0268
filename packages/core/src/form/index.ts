import type { FormShape } from '../document/index.ts';
import type { Box3 } from '../math/index.ts';
import { crisp, type PolygonMesh } from '../mesh/index.ts';
import { ball, block } from './box.ts';
import { coil, ring } from './rolls.ts';
import { panel, shell } from './sheets.ts';
import { tube } from './tube.ts';
import { turned } from './turned.ts';

/** Edges whose faces turn by more are crisp. */
const CRISP_DEGREES = 35;

/** A form as a closed mesh, zero at the middle of its foot (of a panel, where that of its words is); curves stay within the tolerance, mm. `around`: of a panel. */
export function formMesh(form: FormShape, toleranceMm: number, around?: Box3): PolygonMesh {
  return crisp(built(form, toleranceMm, around), CRISP_DEGREES);
}

function built(form: FormShape, toleranceMm: number, around: Box3 = EMPTY_PLATE): PolygonMesh {
  switch (form.kind) {
    case 'block':
      return block(form, toleranceMm);
    case 'ball':
      return ball(form.radiusMm, toleranceMm);
    case 'turned':
      return turned(form, toleranceMm);
    case 'ring':
      return ring(form, toleranceMm);
    case 'coil':
      return coil(form, toleranceMm);
    case 'shell':
      return shell(form, toleranceMm);
    case 'tube':
      return tube(form, toleranceMm);
    case 'panel':
      return panel(form, around, toleranceMm);
  }
}

/** What a panel is made round while it has no words. */
const EMPTY_PLATE: Box3 = { low: [-60, 0, 0], high: [60, 40, 0] };
