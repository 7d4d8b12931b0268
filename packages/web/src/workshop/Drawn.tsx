import { Text } from '@mantine/core';
import type { Box3 } from '@fictile/core';
import { useCallback, useEffect, useMemo, useState, type KeyboardEvent, type ReactNode, type RefObject } from 'react';
import { useSearchParams } from 'react-router';
import { useActs, useChoice, useMeshes, useOpenParts, useTrials } from '../bench/index.ts';
import { HandsContext, TOOLS, useHands } from '../tools/index.ts';
import {
  canDraw,
  moved,
  nearer,
  turned,
  Viewport,
  type CameraHandle,
  type Pose,
  type ViewportProps,
  type ViewWish,
} from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import classes from './Workbench.module.css';

interface DrawnProps {
  box: Box3;
  wish: ViewWish;
  camera: RefObject<CameraHandle | undefined>;
  /** told of the camera where another follows it */
  link?: (camera: CameraHandle | undefined) => void;
  /** another state, laid over */
  ghost?: ReactNode;
  onPictures?: ViewportProps['onPictures'];
}

/** The project in a view, with all tools. */
export function Drawn({ ghost, ...props }: DrawnProps) {
  const { project, carrying } = useTrials();
  const { evaluation, shelf } = useMeshes();
  const { marks } = useActs();
  const hands = useHands();
  const near = useMemo(() => ({ marks: marks.places, bodyId: carrying?.begunOn }), [marks.places, carrying?.begunOn]);
  return (
    <Canvas {...props} {...{ project, shelf, hands, near }} pieces={evaluation.pieces}>
      <HandsContext value={hands}>
        {TOOLS.map((Tool, i) => (
          <Tool key={i} />
        ))}
      </HandsContext>
      {ghost}
    </Canvas>
  );
}

type CanvasProps = Omit<DrawnProps, 'ghost'> &
  Pick<ViewportProps, 'project' | 'pieces' | 'shelf' | 'hands'> & {
    near?: ViewportProps['near'];
    children?: ReactNode;
  };

const NOWHERE = {};

/** Draws what it is given where the machine can draw, and takes the keys that move the view. */
export function Canvas({ camera, link, near = NOWHERE, children, ...drawn }: CanvasProps) {
  const [drawing] = useState(canDraw);
  const [parameters] = useSearchParams();
  const { view } = useOpenParts();
  const { lead, typing } = useChoice();
  const onCamera = useCallback((handle: CameraHandle | undefined) => void (camera.current = handle), [camera]);
  useEffect(() => {
    link?.(camera.current);
    return () => link?.(undefined);
  }, [link, camera, drawn.box]);
  if (!drawing)
    return (
      <Text p="xl" pt={64}>
        {texts.workshop.noView}
      </Text>
    );
  if (parameters.get('view') === 'off') return null;
  return (
    <div
      className={classes.drawn}
      role="group"
      tabIndex={0}
      aria-label={texts.view.keys}
      onKeyDown={(event) => {
        const move = moveOf(event);
        if (!move || typing.now) return;
        event.preventDefault();
        camera.current?.change(move);
      }}
    >
      <Viewport
        {...drawn}
        near={near}
        mode={view.mode}
        showEdges={view.showEdges}
        showGrid={view.showGrid}
        label={texts.workshop.view}
        onCamera={onCamera}
        onMissed={() => lead && typing.start(lead.id)}
      >
        {children}
      </Viewport>
    </div>
  );
}

const TURN_DEGREES = 7.5;
const MOVE_SHARE = 0.04;
const NEARER = 1.15;

/** What a key does to the view. */
function moveOf(event: KeyboardEvent): ((pose: Pose) => Pose) | undefined {
  if (event.ctrlKey || event.metaKey || event.altKey) return undefined;
  if (event.key === '+' || event.key === '=') return (pose) => nearer(pose, NEARER);
  if (event.key === '-') return (pose) => nearer(pose, 1 / NEARER);
  const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
  if (!way) return undefined;
  const [right, up] = way;
  return event.shiftKey
    ? (pose) => moved(pose, right * MOVE_SHARE, up * MOVE_SHARE)
    : (pose) => turned(pose, right * TURN_DEGREES, up * TURN_DEGREES);
}
