import { ownEntry, type Crew } from '../base/index.ts';
import { CREW_STAGES } from '../evaluate/index.ts';

/** What another thread is asked to make; given up once anything newer than `until` was asked for. */
export interface CrewTask {
  id: number;
  stage: string;
  inputs: unknown;
  until: number;
}

/** `made` is left out where it was stopped, or could not be made. */
export interface CrewAnswer {
  id: number;
  made?: unknown;
}

/** A thread that takes tasks. */
export interface CrewPort {
  send(task: CrewTask): void;
  /** `lost`: it will answer no more */
  listen(take: (answer: CrewAnswer) => void, lost: () => void): void;
}

/** The side of a thread that works: makes what it is asked for, one after the other. */
export function crewMember(newest: () => number, send: (answer: CrewAnswer) => void): (task: CrewTask) => void {
  return ({ id, stage, inputs, until }) => {
    const make = ownEntry(CREW_STAGES, stage);
    try {
      send({ id, made: make?.(inputs as never, () => newest() > until) });
    } catch {
      // stopped; or whoever asked makes it again and sees what is wrong
      send({ id });
    }
  };
}

/** More of them mostly wait. */
const MOST_THREADS = 8;

/** How many threads a machine with so many cores has beside the one that asks. */
export const crewSize = (cores: number): number => Math.min(MOST_THREADS, cores) - 1;

interface CrewMate {
  port: CrewPort;
  waiting: Map<number, (made: unknown) => void>;
}

/** The side of the thread that asks. Threads are started when there is first something to work out. */
export class CrewHub {
  readonly #start: () => readonly CrewPort[];
  readonly #turn: () => Promise<void>;
  #members: CrewMate[] | undefined;
  #alone: number;
  #id = 0;

  /** `alone`: so many pieces of work are done without the threads, which get going meanwhile */
  constructor(start: () => readonly CrewPort[], turn: () => Promise<void>, { alone = 0 } = {}) {
    this.#start = start;
    this.#turn = turn;
    this.#alone = alone;
  }

  /** As one piece of work sees it, which is given up once anything newer than `until` was asked for. */
  until(until: number): Crew | undefined {
    const members = (this.#members ??= this.#start().map((port) => this.#member(port)));
    if (members.length === 0 || this.#alone-- > 0) return undefined;
    return {
      size: members.length,
      work: (stage, inputs) => this.#work(stage, inputs, until),
      turn: this.#turn,
    };
  }

  #member(port: CrewPort): CrewMate {
    const member: CrewMate = { port, waiting: new Map() };
    const answer = (id: number, made: unknown): void => {
      member.waiting.get(id)?.(made);
      member.waiting.delete(id);
    };
    port.listen(
      ({ id, made }) => answer(id, made),
      () => {
        this.#members = this.#members?.filter((one) => one !== member);
        for (const id of [...member.waiting.keys()]) answer(id, undefined);
      },
    );
    return member;
  }

  #work(stage: string, inputs: unknown, until: number): Promise<unknown> {
    const [first, ...others] = this.#members ?? [];
    if (!first) return Promise.resolve(undefined);
    const free = others.reduce((a, b) => (b.waiting.size < a.waiting.size ? b : a), first);
    const id = ++this.#id;
    return new Promise((resolve) => {
      free.waiting.set(id, resolve);
      try {
        free.port.send({ id, stage, inputs, until });
      } catch {
        // what can't be copied is made by the thread that has it
        free.waiting.delete(id);
        resolve(undefined);
      }
    });
  }
}
