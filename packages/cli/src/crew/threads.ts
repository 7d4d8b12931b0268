import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { CrewHub, crewSize, type CrewPort } from '@fictile/core';

export interface Threads {
  hub: CrewHub;
  /** Lets the process end. */
  end(): Promise<void>;
}

/** Threads beside this one: as many as the machine has cores, or `count`. */
export function startThreads(count = crewSize(availableParallelism())): Threads {
  const workers: Worker[] = [];
  const start = (): CrewPort => {
    const worker = new Worker(new URL('crewWorker.js', import.meta.url));
    workers.push(worker);
    return {
      send: (task) => worker.postMessage(task),
      listen: (take, lost) => void worker.on('message', take).on('error', lost).on('exit', lost),
    };
  };
  const turn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));
  return {
    hub: new CrewHub(() => Array.from({ length: count }, start), turn),
    end: async () => void (await Promise.all(workers.map((worker) => worker.terminate()))),
  };
}
