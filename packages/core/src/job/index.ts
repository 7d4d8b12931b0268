export { CrewHub, crewMember, crewSize } from './crew.ts';
export type { CrewAnswer, CrewPort, CrewTask } from './crew.ts';
export { JobHost } from './host.ts';
export type { JobHostOptions } from './host.ts';
export { JOB_VERSION } from './messages.ts';
export { allShown } from './shownCopies.ts';
export { ProjectSender, ProjectTaker } from './sentProject.ts';
export type { SentRequest } from './sentProject.ts';
export type {
  JobAnswer,
  JobReply,
  JobRequest,
  ShownCluster,
  ShownLetter,
  ShownPiece,
  WorkFigures,
} from './messages.ts';
