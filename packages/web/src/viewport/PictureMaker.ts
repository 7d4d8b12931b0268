import { bufferRows, standAlone, type Project, type Remark, type ShownPiece } from '@fictile/core';
import { JobClient } from '../worker/index.ts';
import type { PictureReply, PictureRequest } from './picture.worker.ts';

const WIDTH = 640;
const HEIGHT = 376;

/** A project as it looks, and what is told of its pieces. */
export interface Pictured {
  /** a PNG; undefined where there is nothing to be seen */
  picture: Blob | undefined;
  told: { pieceId: string; remarks: readonly Remark[] }[];
}

/**
 * Makes small pictures of projects, one after the other, in workers of its own. What nobody waits for any more is given
 * up at once.
 */
export class PictureMaker {
  #geometry: JobClient | undefined;
  #drawing: Worker | undefined;
  #serial = 0;
  #queue: Promise<unknown> = Promise.resolve();
  readonly #waiting = new Map<number, (picture: Blob | undefined) => void>();

  async make(project: Project, signal: AbortSignal): Promise<Blob | undefined> {
    return (await this.take(project, signal))?.picture;
  }

  /** The same with what is told; undefined where it was left. */
  take(project: Project, signal: AbortSignal): Promise<Pictured | undefined> {
    const made = this.#queue.then(() => (signal.aborted ? undefined : this.#unlessLeft(project, signal)));
    this.#queue = made.catch(() => undefined);
    return made;
  }

  /** The workers of a picture that is left end with it: whoever goes on to a project needs the machine himself. */
  #unlessLeft(project: Project, signal: AbortSignal): Promise<Pictured | undefined> {
    return new Promise((resolve, reject) => {
      const leave = (): void => {
        this.#stop();
        resolve(undefined);
      };
      signal.addEventListener('abort', leave, { once: true });
      this.#make(project)
        .then(resolve, reject)
        .finally(() => signal.removeEventListener('abort', leave));
    });
  }

  #stop(): void {
    this.#geometry?.stop();
    this.#drawing?.terminate();
    this.#geometry = undefined;
    this.#drawing = undefined;
    for (const resolve of this.#waiting.values()) resolve(undefined);
    this.#waiting.clear();
  }

  async #make(project: Project): Promise<Pictured | undefined> {
    this.#geometry ??= new JobClient();
    const answer = await this.#geometry.ask({ kind: 'evaluate', project, known: [] });
    if (answer.kind !== 'evaluated') return undefined;
    const told = answer.pieces.map(({ pieceId, remarks }) => ({ pieceId, remarks }));
    if (answer.pieces.every((piece) => piece.clusters.length === 0)) return { picture: undefined, told };
    const seen = new Set(standAlone(project));
    const pieces = answer.pieces.filter(({ pieceId }) => seen.has(pieceId));
    return { picture: await this.#draw(project, pieces), told };
  }

  #draw(project: Project, pieces: ShownPiece[]): Promise<Blob | undefined> {
    this.#drawing ??= this.#start();
    const serial = ++this.#serial;
    const looks = Object.fromEntries(
      Object.values(project.pieces).map(({ id, slots, source }) => [id, { slots, source }]),
    );
    const request: PictureRequest = { serial, pieces, looks, width: WIDTH, height: HEIGHT };
    const buffers = pieces
      .flatMap((piece) => piece.clusters)
      .flatMap(({ buffers: b }) => (b ? bufferRows(b) : []))
      .map((array) => array.buffer as ArrayBuffer);
    return new Promise((resolve) => {
      this.#waiting.set(serial, resolve);
      this.#drawing?.postMessage(request, buffers);
    });
  }

  #start(): Worker {
    const worker = new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = (event: MessageEvent<PictureReply>) => {
      this.#waiting.get(event.data.serial)?.(event.data.picture);
      this.#waiting.delete(event.data.serial);
    };
    worker.onerror = () => {
      for (const resolve of this.#waiting.values()) resolve(undefined);
      this.#waiting.clear();
    };
    return worker;
  }
}
