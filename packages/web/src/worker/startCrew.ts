import { CrewHub, crewSize, type CrewAnswer, type CrewPort } from '@fictile/core';
import type { StartMessage } from './shared.ts';

/** With so few cores the browser, compiling two threads at once, takes longer than one thread does alone. */
const FEW = 2;

/** Workers beside this one: as many as the machine has cores. */
export function startCrew(shared: SharedArrayBuffer): CrewHub {
  const cores = navigator.hardwareConcurrency || 1;
  const start = (): CrewPort[] => Array.from({ length: crewSize(cores) }, () => startMember(shared));
  return new CrewHub(start, turn, { alone: cores <= FEW ? 1 : 0 });
}

function startMember(shared: SharedArrayBuffer): CrewPort {
  const worker = new Worker(new URL('./crew.worker.ts', import.meta.url), { type: 'module' });
  worker.postMessage({ kind: 'start', shared } satisfies StartMessage);
  return {
    send: (task) => worker.postMessage(task),
    listen: (take, lost) => {
      worker.onmessage = ({ data }: MessageEvent<CrewAnswer>) => take(data);
      worker.onerror = lost;
    },
  };
}

const channel = new MessageChannel();
const waiting: (() => void)[] = [];
channel.port1.onmessage = () => waiting.shift()?.();

/** Lets answers in: a timer would wait for four milliseconds each time. */
const turn = (): Promise<void> =>
  new Promise((resolve) => {
    waiting.push(resolve);
    channel.port2.postMessage(undefined);
  });
