import { fail, ok, remark, type Memo, type QuickMemo, type Remark, type Result } from '../base/index.ts';
import type { FormPiece, ModelPiece } from '../document/index.ts';
import type { ReadModel } from '../io/index.ts';
import type { BuiltCluster } from '../lettering/index.ts';
import type { Box3 } from '../math/index.ts';
import type { PolygonMesh } from '../mesh/index.ts';
import { isJoin, isRecast, type Step } from '../steps/index.ts';
import type { FormInputs } from './stages/form.ts';
import type { ModelTools } from './stages/model.ts';

export interface BodyMemos {
  forms: QuickMemo<FormInputs, unknown, PolygonMesh>;
  models: Memo<{ source: ModelPiece['source'] }, ModelTools, Result<ReadModel>>;
}

const BARE = { x: 0, y: 0, z: 0 };

/** A form as a cluster without letters; `around`: what a panel is made round. */
export function formCluster({ source, body }: FormPiece, around: Box3 | undefined, { forms }: BodyMemos): BuiltCluster {
  const { key, of: mesh } = forms.get({ form: source.form, toleranceMm: body.faces.toleranceMm, around }, undefined);
  return { ...BARE, letters: [], key, mesh };
}

/** A model as a cluster without letters, and how sound its mesh is. */
export async function modelCluster(
  { source }: ModelPiece,
  { models }: BodyMemos,
  tools: ModelTools,
): Promise<Result<BuiltCluster & Omit<ReadModel, 'mesh'>>> {
  const read = await models.get({ source }, tools);
  if (!read) return fail('CANCELLED', {});
  return read.of.ok ? ok({ ...BARE, letters: [], key: read.key, ...read.of.value }) : read.of;
}

/** What a model's file has to tell; steps may close what is open. */
export function modelRemarks(
  { openEdges, badEdges, joinMm, paints, levels }: Omit<ReadModel, 'mesh'>,
  { isClosed, steps = [] }: { isClosed: boolean; steps?: readonly Step[] },
): Remark[] {
  const pictures = paints?.leftOut ?? 0;
  const isOpen = openEdges + badEdges > 0 && !isClosedBy(steps, joinMm);
  return [
    ...(isOpen ? [remark('MODEL_OPEN', { openEdges, badEdges, isClosed, ...(joinMm && { joinMm }) })] : []),
    ...(pictures > 0 || levels > 1 ? [remark('MODEL_LEFT_OUT', { pictures, levels: levels - 1 })] : []),
  ];
}

/** Whether steps close an open model: what is cast anew is closed, and so is what joining its points closes. */
const isClosedBy = (steps: readonly Step[], joinMm: number | undefined): boolean =>
  steps.some(
    (step) => step.on && (isRecast(step) || (isJoin(step) && joinMm !== undefined && step.withinMm >= joinMm)),
  );
