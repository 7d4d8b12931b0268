import { crewMember, type CrewTask } from '@fictile/core';
import { SHARED, type StartMessage } from './shared.ts';

/** A worker of the geometry worker: works along on pure stages, and gives up when that is asked for something newer. */
interface CrewScope {
  onmessage: ((event: MessageEvent<StartMessage | CrewTask>) => void) | null;
  postMessage(message: unknown): void;
}
const context = self as unknown as CrewScope;
let shared: Int32Array | undefined;
const take = crewMember(
  () => (shared ? Atomics.load(shared, SHARED.newest) : 0),
  (answer) => context.postMessage(answer),
);

context.onmessage = ({ data }) => {
  if ('kind' in data) shared = new Int32Array(data.shared);
  else take(data);
};
