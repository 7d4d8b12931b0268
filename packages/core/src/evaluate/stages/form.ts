import type { QuickStage } from '../../base/index.ts';
import type { FormShape } from '../../document/index.ts';
import { formMesh } from '../../form/index.ts';
import type { Box3 } from '../../math/index.ts';
import { meshBytes, type PolygonMesh } from '../../mesh/index.ts';

export interface FormInputs {
  form: FormShape;
  toleranceMm: number;
  /** of one that is made round words */
  around: Box3 | undefined;
}

export const FORM: QuickStage<FormInputs, unknown, PolygonMesh> = {
  name: 'form',
  make: ({ form, toleranceMm, around }) => formMesh(form, toleranceMm, around),
  bytesOf: meshBytes,
};
