/** What files of a format can hold beside faces, or leave open. */
export type Holds =
  /** lines of text, by which a fault in it is found */
  | 'lines'
  /** faces of more than three corners */
  | 'polygons'
  /** numbers as they are, instead of rounded to 32 bit */
  | 'doubles'
  /** the unit and the upright axis that is chosen */
  | 'frame'
  | 'uv'
  | 'tangents'
  /** several levels of detail as objects, or linked (MSFT_lod) */
  | 'levels'
  | 'linkedLevels'
  /** letters as nodes of their own */
  | 'nodes'
  /** materials in a file beside it */
  | 'materials'
  /** materials with pictures in it */
  | 'paints';
