import { PART_LOOKS, type Part, type ShownPiece } from '@fictile/core';
import { Canvas, useThree } from '@react-three/fiber';
import { useEffect, useMemo, useRef, useState } from 'react';
import {
  ACESFilmicToneMapping,
  Box3,
  Color,
  LineBasicMaterial,
  MeshStandardMaterial,
  PMREMGenerator,
  Vector3,
  type PerspectiveCamera,
} from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import type { GeometryShelf } from './geometries.ts';
import { daylight } from './daylight.ts';

interface ViewportProps {
  pieces: readonly ShownPiece[];
  shelf: GeometryShelf;
  showEdges: boolean;
  /** grows by one when the view is to be fitted */
  fitRequest: number;
  label: string;
}

/** Draws the pieces; nothing here computes meshes. */
export function Viewport({ pieces, shelf, showEdges, fitRequest, label }: ViewportProps) {
  const box = useMemo(() => boundsOf(pieces, shelf), [pieces, shelf]);
  return (
    <Canvas
      aria-label={label}
      role="img"
      frameloop="demand"
      shadows="percentage"
      dpr={[1, 2]}
      gl={{ antialias: true, toneMapping: ACESFilmicToneMapping }}
      camera={{ fov: 30, near: 1, far: 100_000, position: [0, 0, 800] }}
    >
      <Surroundings box={box} />
      <Clusters pieces={pieces} shelf={shelf} showEdges={showEdges} />
      <Controls box={box} fitRequest={fitRequest} />
    </Canvas>
  );
}

function boundsOf(pieces: readonly ShownPiece[], shelf: GeometryShelf): Box3 {
  const box = new Box3();
  for (const cluster of pieces.flatMap((piece) => piece.clusters)) {
    const solid = shelf.get(cluster.key)?.solid;
    if (!solid) continue;
    if (!solid.boundingBox) solid.computeBoundingBox();
    box.union((solid.boundingBox as Box3).clone().translate(new Vector3(cluster.x, cluster.y, cluster.z)));
  }
  return box;
}

/** Daylight from a window to the left, and the table that the words stand on. */
function Surroundings({ box }: { box: Box3 }) {
  const { gl, scene, invalidate } = useThree();
  useEffect(() => {
    const generator = new PMREMGenerator(gl);
    const target = generator.fromScene(daylight(), 0.03);
    scene.environment = target.texture;
    scene.environmentIntensity = 0.75;
    scene.background = new Color('#ece5d8');
    invalidate();
    return () => {
      scene.environment = null;
      target.dispose();
      generator.dispose();
    };
  }, [gl, scene, invalidate]);
  const isEmpty = box.isEmpty();
  const size = isEmpty ? new Vector3(100, 100, 20) : box.getSize(new Vector3());
  const middle = isEmpty ? new Vector3() : box.getCenter(new Vector3());
  const reach = Math.max(size.x, size.y, size.z);
  const table = isEmpty ? -50 : box.min.y;
  return (
    <>
      <directionalLight
        key={Math.round(reach)}
        position={[middle.x - reach * 0.55, table + reach * 1.3, middle.z + reach * 1.1]}
        target-position={[middle.x, middle.y, middle.z]}
        intensity={2.1}
        color="#fff3e2"
        castShadow
        shadow-mapSize={[2048, 2048]}
        shadow-camera-left={-reach}
        shadow-camera-right={reach}
        shadow-camera-top={reach}
        shadow-camera-bottom={-reach}
        shadow-camera-near={reach * 0.1}
        shadow-camera-far={reach * 4}
        shadow-bias={-0.0008}
        shadow-normalBias={reach * 0.0006}
        shadow-radius={6}
      />
      <mesh rotation-x={-Math.PI / 2} position={[middle.x, table - reach * 0.0005, middle.z]} receiveShadow>
        <planeGeometry args={[reach * 40, reach * 40]} />
        <shadowMaterial transparent opacity={0.3} color="#4a3520" />
      </mesh>
    </>
  );
}

const materials = new Map<Part, MeshStandardMaterial>();

function materialOf(part: Part): MeshStandardMaterial {
  let material = materials.get(part);
  if (!material) {
    const { colour, roughness } = PART_LOOKS[part];
    material = new MeshStandardMaterial({
      color: new Color(...colour),
      roughness,
      metalness: 0,
      polygonOffset: true,
      polygonOffsetFactor: 1,
      polygonOffsetUnits: 1,
    });
    materials.set(part, material);
  }
  return material;
}

const edgeMaterial = new LineBasicMaterial({ color: '#2b2118', transparent: true, opacity: 0.55 });

function Clusters({ pieces, shelf, showEdges }: Pick<ViewportProps, 'pieces' | 'shelf' | 'showEdges'>) {
  const invalidate = useThree((three) => three.invalidate);
  useEffect(() => invalidate(), [pieces, showEdges, invalidate]);
  return pieces.flatMap((piece) =>
    piece.clusters.map((cluster, i) => {
      const geometry = shelf.get(cluster.key);
      if (!geometry) return null;
      return (
        <group key={`${piece.pieceId} ${i}`} position={[cluster.x, cluster.y, cluster.z]}>
          <mesh geometry={geometry.solid} material={geometry.parts.map(materialOf)} castShadow receiveShadow />
          {showEdges && <lineSegments geometry={geometry.edges} material={edgeMaterial} />}
        </group>
      );
    }),
  );
}

/** Drag turns, right drag moves, the wheel comes nearer. Fits when first something is there and when asked to. */
function Controls({ box, fitRequest }: { box: Box3; fitRequest: number }) {
  const { camera, gl, invalidate, size } = useThree();
  const controls = useRef<OrbitControls>(null);
  const [fitted, setFitted] = useState(-1);
  useEffect(() => {
    const made = new OrbitControls(camera, gl.domElement);
    made.enableDamping = false;
    made.zoomToCursor = true;
    made.addEventListener('change', () => invalidate());
    controls.current = made;
    return () => made.dispose();
  }, [camera, gl, invalidate]);
  useEffect(() => {
    if (box.isEmpty() || fitted === fitRequest || !controls.current) return;
    fit(camera as PerspectiveCamera, controls.current, box, size.width / size.height);
    setFitted(fitRequest);
    invalidate();
  }, [box, fitRequest, fitted, camera, size, invalidate]);
  return null;
}

/** From a little right and above, so that the depth can be seen. */
const FROM = new Vector3(0.26, 0.16, 1).normalize();

function fit(camera: PerspectiveCamera, controls: OrbitControls, box: Box3, aspect: number): void {
  const middle = box.getCenter(new Vector3());
  const size = box.getSize(new Vector3());
  const half = Math.tan((camera.fov * Math.PI) / 360);
  const distance = 1.18 * (Math.max(size.y / 2 / half, size.x / 2 / (half * aspect)) + size.z);
  camera.near = distance / 100;
  camera.far = distance * 40;
  camera.position.copy(middle).addScaledVector(FROM, distance);
  camera.updateProjectionMatrix();
  controls.target.copy(middle);
  controls.update();
}
