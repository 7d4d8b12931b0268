import type { Result } from '../base/index.ts';
import type { Project } from '../document/index.ts';
import type { EvaluateRun } from './engineParts.ts';
import type { Evaluated } from './evaluated.ts';

/** Another piece, as it is in some state of the document. */
export type Beside = (project: Project, pieceId: string, other?: Partial<EvaluateRun>) => Promise<Result<Evaluated>>;
