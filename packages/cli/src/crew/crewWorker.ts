import { parentPort } from 'node:worker_threads';
import { crewMember, type CrewTask } from '@fictile/core';

/** A thread that works along on one mesh: nobody stops what the command line has begun. */
const take = crewMember(
  () => 0,
  (answer) => parentPort?.postMessage(answer),
);
parentPort?.on('message', (task: CrewTask) => take(task));
