import { useThree } from '@react-three/fiber';
import type { SceneView } from '@fictile/core';
import { useEffect } from 'react';
import { Vector3, type Box3 } from 'three';
import { lightAround, LOOKS } from './surroundings.ts';

interface SurroundingsProps {
  box: Box3;
  /** height of the table */
  table: number;
  view: SceneView;
}

/** The light that was chosen, and the table that the words stand on. */
export function Surroundings({ box, table, view }: SurroundingsProps) {
  const { scene, invalidate } = useThree();
  const look = LOOKS[view.surroundings];
  useEffect(() => {
    scene.environment = lightAround(look);
    scene.environmentIntensity = look.around;
    invalidate();
    return () => {
      scene.environment = null;
    };
  }, [scene, invalidate, look]);
  useEffect(() => invalidate(), [view.ground, invalidate]);
  const isEmpty = box.isEmpty();
  const size = isEmpty ? new Vector3(100, 100, 20) : box.getSize(new Vector3());
  const middle = isEmpty ? new Vector3() : box.getCenter(new Vector3());
  const reach = Math.max(size.x, size.y, size.z);
  const stand = ([x, y, z]: readonly [number, number, number]): [number, number, number] => [
    middle.x + reach * x,
    table + reach * y,
    middle.z + reach * z,
  ];
  return (
    <>
      <directionalLight
        key={`${view.surroundings} ${Math.round(reach)}`}
        position={stand(look.key.from)}
        target-position={[middle.x, middle.y, middle.z]}
        intensity={look.key.strength}
        color={look.key.colour}
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
      {look.rim && (
        <directionalLight position={stand(look.rim.from)} intensity={look.rim.strength} color={look.rim.colour} />
      )}
      {view.ground && (
        <mesh rotation-x={-Math.PI / 2} position={[middle.x, table - reach * 0.0005, middle.z]} receiveShadow>
          <planeGeometry args={[reach * 40, reach * 40]} />
          <shadowMaterial transparent opacity={look.shadow.opacity} color={look.shadow.colour} />
        </mesh>
      )}
    </>
  );
}
