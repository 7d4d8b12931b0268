import {
  usualStep,
  type CutStep,
  type Edit,
  type Kernels,
  type ModelFrame,
  type ModelPiece,
  type OntoStep,
  type Remark,
} from '@fictile/core';
import { cutStep, heldBefore, placeHold } from './cutFlags.ts';
import type { Flags } from './flags.ts';
import { fault } from './messages.ts';
import { givenModel, type GivenModel } from './modelFile.ts';
import { ontoStep } from './ontoFlags.ts';

/** The models that --onto and --with name, and what words do with them. */
export interface ModelCase {
  pieces: ModelPiece[];
  /** of the words */
  onto: OntoStep;
  /** of the model that is written instead of the words; undefined: the words are */
  cut: { pieceId: string; edit(wordsId: string): Edit } | undefined;
  frame: ModelFrame;
  remarks: Remark[];
  loadModel(hash: string): Promise<Uint8Array | undefined>;
}

/** Undefined without --onto and --with. */
export async function modelCase(flags: Flags, kernels: Kernels): Promise<ModelCase | undefined> {
  const { onto: ground, with: body } = flags;
  if (ground === undefined && body === undefined) return undefined;
  const paths = [...new Set([ground, body].filter((path) => path !== undefined))];
  const models = new Map<string, GivenModel>();
  for (const path of paths) models.set(path, await givenModel(path, flags, kernels));
  const laidOn = models.get(ground ?? body ?? '') as GivenModel;
  const written = models.get(body ?? ground ?? '') as GivenModel;
  return {
    pieces: [...models.values()].map(({ piece }) => piece),
    onto: ground === undefined ? flatStep(flags, laidOn) : placedStep(flags, laidOn),
    cut:
      body === undefined
        ? undefined
        : { pieceId: written.piece.id, edit: (words) => cutEdit(written, cutStep(flags, words)) },
    frame: written.frame,
    remarks: [...models.values()].flatMap(({ remarks }) => remarks),
    loadModel: (hash) => Promise.resolve([...models.values()].find(({ piece }) => piece.source.asset === hash)?.bytes),
  };
}

const cutEdit = ({ piece }: GivenModel, step: CutStep): Edit => ({
  kind: 'setSteps',
  pieceId: piece.id,
  steps: [step],
});

const flatStep = (flags: Flags, model: GivenModel): OntoStep => ({
  ...usualStep('onto', 'onto'),
  target: model.piece.id,
  method: 'flat',
  ...placeHold(flags, model),
});

/** --place says where words that follow a surface are, as --from and --toward do. */
function placedStep(flags: Flags, model: GivenModel): OntoStep {
  const step = ontoStep(flags, model);
  if (flags.place === undefined) return step;
  if (flags.from !== undefined || flags.toward !== undefined)
    throw fault('FLAG_VALUE', '--place and --from or --toward say the same. Leave one of them out.');
  return { ...step, ...heldBefore(placeHold(flags, model), model) };
}
