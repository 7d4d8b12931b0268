import type { Project } from '@fictile/core';
import type { JobClient } from '../worker/index.ts';
interface ChecksProps {
  client: JobClient;
  project: Project;
  pieceId: string;
}
/** The checks on request; a report belongs to one state of the document and goes when that changes. */
export declare function Checks({ client, project, pieceId }: ChecksProps): import('react').JSX.Element;
export {};
//# sourceMappingURL=Checks.d.ts.map
