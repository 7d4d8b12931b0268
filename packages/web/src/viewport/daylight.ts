import { BackSide, BoxGeometry, Color, Mesh, MeshBasicMaterial, Scene } from 'three';

/** A small room made of glowing walls, of which the light around the pieces is computed: bright window left, warm floor, soft ceiling. */
export function daylight(): Scene {
  const scene = new Scene();
  const wall = (colour: string, strength: number): MeshBasicMaterial =>
    new MeshBasicMaterial({ color: new Color(colour).multiplyScalar(strength), side: BackSide });
  const room = new Mesh(new BoxGeometry(20, 12, 20), [
    wall('#d9cdb8', 0.55),
    wall('#eef2f7', 1.5),
    wall('#f7f3ea', 1.35),
    wall('#a88f6d', 0.45),
    wall('#efe9dd', 0.9),
    wall('#cbbda4', 0.5),
  ]);
  scene.add(room);
  const pane = new Mesh(
    new BoxGeometry(0.2, 7, 9),
    new MeshBasicMaterial({ color: new Color('#ffffff').multiplyScalar(6) }),
  );
  pane.position.set(-9.5, 1.5, 3);
  scene.add(pane);
  return scene;
}
