import { useThree, type ThreeEvent } from '@react-three/fiber';
import { useRef } from 'react';
import type { Ray } from 'three';
import type { OrbitControls } from 'three/addons/controls/OrbitControls.js';

type DragFollow = (ray: Ray, isCoarse: boolean) => void;

export interface DragHandlers {
  onPointerDown: (event: ThreeEvent<PointerEvent>) => void;
  onPointerMove: (event: ThreeEvent<PointerEvent>) => void;
  onPointerUp: (event: ThreeEvent<PointerEvent>) => void;
}

/**
 * Drags of something in the view: the camera holds still meanwhile. `begin` gives what follows the pointer, or nothing.
 */
export function useDrag(begin: (event: ThreeEvent<PointerEvent>) => DragFollow | undefined): DragHandlers {
  const controls = useThree((three) => three.controls) as OrbitControls | null;
  const follow = useRef<DragFollow>(undefined);
  const capture = (event: ThreeEvent<PointerEvent>): Element => event.target as Element;
  return {
    onPointerDown: (event) => {
      if (event.button !== 0) return;
      follow.current = begin(event);
      if (!follow.current) return;
      event.stopPropagation();
      capture(event).setPointerCapture(event.pointerId);
      if (controls) controls.enabled = false;
    },
    onPointerMove: (event) => follow.current?.(event.ray, event.shiftKey),
    onPointerUp: (event) => {
      if (!follow.current) return;
      follow.current = undefined;
      capture(event).releasePointerCapture(event.pointerId);
      if (controls) controls.enabled = true;
    },
  };
}
