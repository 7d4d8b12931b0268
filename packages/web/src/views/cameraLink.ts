import type { CameraHandle } from '../viewport/index.ts';

/** Two cameras that follow each other. */
export class CameraLink {
  #cameras: (CameraHandle | undefined)[] = [undefined, undefined];
  #isFollowing = false;

  readonly first = (camera: CameraHandle | undefined): void => this.#take(0, camera);
  readonly second = (camera: CameraHandle | undefined): void => this.#take(1, camera);

  #take(which: 0 | 1, camera: CameraHandle | undefined): void {
    const before = this.#cameras[which];
    if (before) before.onMove = undefined;
    this.#cameras[which] = camera;
    if (!camera) return;
    camera.onMove = () => this.#lead(which);
    // the one that comes second looks from where the first does
    if (this.#cameras[1 - which]) this.#lead(0);
  }

  #lead(which: 0 | 1): void {
    const [leader, follower] = [this.#cameras[which], this.#cameras[1 - which]];
    if (!leader || !follower || this.#isFollowing) return;
    this.#isFollowing = true;
    const pose = leader.pose();
    follower.change(() => pose);
    this.#isFollowing = false;
  }
}
