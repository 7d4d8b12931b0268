import type { Named, QuickStage } from '../../base/index.ts';
import { meshBytes, type PolygonMesh } from '../../mesh/index.ts';
import { lift, liftSheet, sectionLayers, type FlatWavefront, type Section } from '../../solid/index.ts';
import type { ClusterFlat } from './clusterFlat.ts';

export interface MeshInputs {
  flat: Named<ClusterFlat>;
  section: Section;
  isSheet: boolean;
  /** of the grid, mm */
  step: number;
  uv: boolean;
}

/** Clusters lifted to solids. */
export const CLUSTER_MESH: QuickStage<MeshInputs, { count(): void }, PolygonMesh> = {
  name: 'solid',
  make({ flat, section, isSheet, step, uv }, { count }) {
    count();
    return isSheet ? liftSheet(flat.of.flat, step, section.inset[0]) : liftFitting(flat.of.flat, section, { step, uv });
  },
  bytesOf: meshBytes,
};

/** Where the ladder ended without any edge the plan has no layers left, and the wall goes straight up. */
function liftFitting(flat: FlatWavefront, section: Section, how: { step: number; uv: boolean }): PolygonMesh {
  const fits = flat.partition.layers.length === sectionLayers(section).length + 1;
  return lift(flat, { section: fits ? section : straightSection(section), ...how });
}

const straightSection = (section: Section): Section => ({
  inset: [0, 0],
  z: [section.z[0], section.z[section.z.length - 1]],
  part: ['wall'],
});
