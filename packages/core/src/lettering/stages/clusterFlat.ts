import type { Named, QuickStage } from '../../base/index.ts';
import { facedFlat, type FacedFlat, type FaceStyle } from '../../faces/index.ts';
import { divide } from '../../outline/index.ts';
import { flatBytes, type Corners } from '../../solid/index.ts';
import { clusterOutline, type ClusterShape } from '../clusterOutline.ts';

/** A cluster's plan; `isFull`: hollow was asked for, and no room was left inside. */
export interface ClusterFlat extends FacedFlat {
  isFull: boolean;
}

export interface FlatInputs {
  cluster: Named<ClusterShape>;
  /** insets of the section, grid steps */
  layers: readonly number[];
  capInsets: readonly number[];
  corners: Corners;
  seed: number;
  /** edges of outlines are cut to this length, grid steps; undefined: as they are */
  longestEdge: number | undefined;
  style: FaceStyle;
}

export interface FlatTools {
  cancelled(): boolean;
  /** one was made */
  count(): void;
}

/** Proved plans of clusters: what dragging the depth does not change. */
export const CLUSTER_FLAT: QuickStage<FlatInputs, FlatTools, ClusterFlat> = {
  name: 'flat',
  make({ cluster, layers, capInsets, corners, seed, longestEdge, style }, { cancelled, count }) {
    const { outline, isFull } = clusterOutline(cluster.of);
    const faced = facedFlat(
      longestEdge === undefined ? outline : divide(outline, longestEdge),
      { layers: [...layers], capInsets: [...capInsets], em: cluster.of.em, corners, seed, cancelled },
      style,
    );
    count();
    return { ...faced, isFull };
  },
  bytesOf: ({ flat }) => flatBytes(flat),
};
