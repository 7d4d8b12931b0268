import { JOB_VERSION, JobHost, type CrewHub, type JobAnswer, type Kernels, type Project } from '@fictile/core';
import { readFont, SHIPPED_FONTS } from '@fictile/fonts';

type Evaluated = Extract<JobAnswer, { kind: 'evaluated' }>;

/** The page's side of a worker: what it holds, and how long it waits from asking to buffers. */
export class Hand {
  readonly #host: JobHost;
  #serial = 0;
  #known: string[] = [];
  #faces: string[] = [];
  #resolve: (answer: JobAnswer) => void = () => undefined;

  constructor(kernels: Kernels, crew?: CrewHub) {
    this.#host = new JobHost({
      ...{ kernels, crew, catalogue: SHIPPED_FONTS, loadFont: readFont, cacheBytes: 4e8 },
      newest: () => this.#serial,
      breathe: () => new Promise((resolve) => setImmediate(resolve)),
      now: () => performance.now(),
      send: (reply) => reply.kind === 'answer' && this.#resolve(reply.answer),
    });
  }

  async ask(project: Project, preview: boolean): Promise<{ ms: number; faces: number }> {
    const start = performance.now();
    const answer = await new Promise<JobAnswer>((resolve) => {
      this.#resolve = resolve;
      const serial = ++this.#serial;
      const held = { known: this.#known, faces: this.#faces };
      this.#host.take({ kind: 'evaluate', project, ...held, preview, version: JOB_VERSION, serial });
    });
    const ms = performance.now() - start;
    const { pieces } = answer as Evaluated;
    const clusters = pieces.flatMap((piece) => piece.clusters);
    this.#known = clusters.map(({ key }) => key);
    this.#faces = clusters.map(({ faces }) => faces);
    return { ms, faces: pieces.reduce((sum, piece) => sum + piece.faces, 0) };
  }
}
