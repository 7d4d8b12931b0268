import { shareLarge, type Crew } from '../base/index.ts';
import { faceCount, type PolygonMesh } from '../mesh/index.ts';
import { display, pointsKnown, takePoints, type Apart, type DisplayBuffers, type DisplayPoints } from './display.ts';

/** What a renderer is to be told of. */
export interface DisplayAsked {
  mesh: PolygonMesh;
  apart: Apart;
}

export const DISPLAY = 'display';

interface DisplayMade {
  buffers: DisplayBuffers;
  /** of the mesh's own faces; undefined where rounding took some of them */
  points: DisplayPoints | undefined;
}

/** The same in another thread. */
export function displayThere({ mesh, apart }: DisplayAsked): DisplayMade {
  const buffers = display(mesh, apart);
  return { buffers, points: pointsKnown(mesh) };
}

/** Buffers of many clusters, by all threads that there are. */
export async function displays(asked: readonly DisplayAsked[], crew: Crew | undefined): Promise<DisplayBuffers[]> {
  const made: DisplayBuffers[] = [];
  await shareLarge([...asked.keys()], crew, {
    sizeOf: (i) => faceCount(asked[i].mesh),
    here: (i) => void (made[i] = display(asked[i].mesh, asked[i].apart)),
    there: async (i) => {
      const { mesh, apart } = asked[i];
      const done = (await crew?.work(DISPLAY, { mesh: drawnOf(mesh), apart })) as DisplayMade | undefined;
      if (!done) return false;
      if (done.points) takePoints(mesh, done.points);
      made[i] = done.buffers;
      return true;
    },
  });
  return made;
}

/** What a renderer asks of a mesh. */
const drawnOf = ({ positions, faceStart, faceVertices, sharp, region, regions, uv }: PolygonMesh): PolygonMesh => ({
  ...{ positions, faceStart, faceVertices, sharp, region, regions },
  ...(uv && { uv }),
});
