import { useThree } from '@react-three/fiber';
import { useEffect } from 'react';
import type { PerspectiveCamera } from 'three';

/** Shows everything so many pixels further up, while something covers the view's foot. */
export function Lift({ pixels }: { pixels: number }) {
  const { camera, size, invalidate } = useThree();
  useEffect(() => {
    const lens = camera as PerspectiveCamera;
    lens.setViewOffset(size.width, size.height, 0, pixels, size.width, size.height);
    invalidate();
    return () => {
      lens.clearViewOffset();
      invalidate();
    };
  }, [camera, size, pixels, invalidate]);
  return null;
}
