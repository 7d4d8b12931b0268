import { useThree } from '@react-three/fiber';
import { useEffect } from 'react';
import type { BufferGeometry } from 'three';

/** Draws anew when a geometry comes or goes, and frees it when it goes. */
export function useOwnGeometry(geometry: BufferGeometry): void {
  const invalidate = useThree((three) => three.invalidate);
  useEffect(() => {
    invalidate();
    return () => {
      geometry.dispose();
      invalidate();
    };
  }, [geometry, invalidate]);
}
