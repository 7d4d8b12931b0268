import { parentPort, workerData } from 'node:worker_threads';
import { loadKernels } from '@fictile/kernels';
import { runCase, type Folders } from './runCase.ts';

/** A thread of a batch: a line in, the case worked through out. The files are written by the thread that asks. */
const kernels = await loadKernels();
parentPort?.on('message', (line: string) => {
  void runCase(line, workerData as Folders, kernels).then((worked) => parentPort?.postMessage(worked));
});
