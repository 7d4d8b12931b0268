import { shareOut, type Crew } from '../base/index.ts';
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

/** Fewer faces are drawn sooner than they are handed out. */
const WORTH_SHARING = 8000;

/** Buffers of many clusters, by all threads that there are. */
export async function displays(asked: readonly DisplayAsked[], crew: Crew | undefined): Promise<DisplayBuffers[]> {
  const facesOf = (i: number): number => faceCount(asked[i].mesh);
  const all = [...asked.keys()];
  const here = (i: number): DisplayBuffers => display(asked[i].mesh, asked[i].apart);
  if (!crew || all.length < 2 || all.reduce((sum, i) => sum + facesOf(i), 0) < WORTH_SHARING) return all.map(here);
  const made: DisplayBuffers[] = [];
  await shareOut(
    all.sort((a, b) => facesOf(b) - facesOf(a)),
    crew,
    {
      here: (i) => void (made[i] = here(i)),
      there: async (i) => {
        const { mesh, apart } = asked[i];
        const done = (await crew.work(DISPLAY, { mesh: drawnOf(mesh), apart })) as DisplayMade | undefined;
        if (!done) return false;
        if (done.points) takePoints(mesh, done.points);
        made[i] = done.buffers;
        return true;
      },
    },
  );
  return made;
}

/** What a renderer asks of a mesh. */
const drawnOf = ({ positions, faceStart, faceVertices, sharp, region, regions, uv }: PolygonMesh): PolygonMesh => ({
  ...{ positions, faceStart, faceVertices, sharp, region, regions },
  ...(uv && { uv }),
});
