import { asDocument, projectDiff, asProject, applyPatches } from '../document/index.ts';
import type { Patch, Project, ProjectDocument } from '../document/index.ts';
import type { JobRequest } from './messages.ts';

/**
 * A project on its way to another thread: all of it, or what has changed since the one before. What does not change
 * stays the same object over there, too.
 */
export type SentProject = { whole: ProjectDocument } | { patches: Patch[] };

/** A request with its project as it is sent. */
export type SentRequest = JobRequest extends infer R
  ? R extends { project: Project }
    ? Omit<R, 'project'> & { project: SentProject }
    : R
  : never;

/** The side that sends; one for each thread that takes. */
export class ProjectSender {
  #last: Project | undefined;

  send(request: JobRequest): SentRequest {
    if (!('project' in request)) return request;
    const { project } = request;
    const last = this.#last;
    this.#last = project;
    const isNext = last?.id === project.id;
    const sent: SentProject = isNext ? { patches: projectDiff(last, project) } : { whole: asDocument(project) };
    return { ...request, project: sent } as SentRequest;
  }
}

/** The side that takes what is sent, in the order in which it was. */
export class ProjectTaker {
  #last: { document: ProjectDocument; project: Project } | undefined;

  take(request: SentRequest): JobRequest {
    if (!('project' in request)) return request;
    return { ...request, project: this.#project(request.project) } as JobRequest;
  }

  #project(sent: SentProject): Project {
    if ('patches' in sent && sent.patches.length === 0 && this.#last) return this.#last.project;
    const document = 'whole' in sent ? sent.whole : applyPatches(this.#last?.document, sent.patches);
    if (!document) throw new Error('changes of a project that never came');
    this.#last = { document, project: asProject(document) };
    return this.#last.project;
  }
}
