import { isModel } from './kinds.ts';
import type { Model, Project } from './schema.ts';

/** Files of all models that a document holds, each once. */
export function usedModels(project: Project): Pick<Model, 'asset' | 'format'>[] {
  const models = Object.values(project.pieces).filter(isModel);
  return [...new Map(models.map(({ source: { asset, format } }) => [asset, { asset, format }])).values()];
}
