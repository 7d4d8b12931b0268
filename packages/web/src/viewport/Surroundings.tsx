import { useThree } from '@react-three/fiber';
import { useEffect } from 'react';
import { PMREMGenerator, Vector3, type Box3 } from 'three';
import { daylight } from './daylight.ts';

interface SurroundingsProps {
  box: Box3;
  /** height of the table */
  table: number;
}

/** Daylight from a window to the left, and the table that the words stand on. */
export function Surroundings({ box, table }: SurroundingsProps) {
  const { gl, scene, invalidate } = useThree();
  useEffect(() => {
    const generator = new PMREMGenerator(gl);
    const target = generator.fromScene(daylight(), 0.03);
    scene.environment = target.texture;
    scene.environmentIntensity = 0.75;
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
