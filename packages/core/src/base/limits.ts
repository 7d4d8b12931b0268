/** One table of limits: what is larger is refused or held back with a remark, never tried. */
export const LIMITS = {
  fontBytes: 40 * 1024 * 1024,
  meshBytes: 400 * 1024 * 1024,
  projectBytes: 16 * 1024 * 1024,
  /** unpacked */
  projectFileBytes: 512 * 1024 * 1024,
  /** how near chords can be asked to lie to their curves, mm */
  finestToleranceMm: 0.0005,
  /** graphemes of one piece that are kept */
  graphemes: 20_000,
  /** places of the grid that a mesh is made anew over */
  gridNodes: 24_000_000,
  /** places of a line in space */
  placesOfLine: 1_000,
  /** graphemes that are shaped and built */
  graphemesBuilt: 2_000,
  /** points of one flattened glyph, or of one colour of a drawing: 20,000 took 20 s and 1.3 GB */
  glyphPoints: 12_000,
  /** faces laid out one by one: squares and flowing quads of a piece */
  laidOutFaces: 400_000,
  /** steps of one piece */
  steps: 50,
  /** faces of one mesh that checks and files take */
  meshFaces: 8_000_000,
  /** default budget of faces of a project */
  faceBudget: 2_000_000,
  pieces: 1_000,
  /** knots of a curve drawn here */
  knots: 500,
  /** points of a drawn edge or side, and how far they reach in and out, in its widths */
  profilePoints: 64,
  profileReach: 4,
  /** of JSON: how deep brackets stand in each other, and how many values it holds, about */
  jsonDepth: 100,
  jsonValues: 2_000_000,
  /** corners of one face of a mesh file */
  faceCorners: 10_000,
  /** parts of meshes of a GLB, each as often as it stands in the scene */
  meshParts: 50_000,
  gltfHeaderBytes: 16 * 1024 * 1024,
  /** points of a profile that is turned */
  turnedKnots: 60,
  /** triangles of a model that is brought in */
  modelFaces: 1_500_000,
  svgBytes: 8 * 1024 * 1024,
  /** elements of an SVG file that are looked at, what is used again counted again */
  svgElements: 20_000,
  /** painted paths of a drawing, their pieces and characters all together, and its colours */
  drawingElements: 5_000,
  /** operations of a page of a PDF file, states kept in each other, and bytes of one unpacked stream */
  pdfOperations: 400_000,
  pdfNesting: 256,
  pdfStreamBytes: 32 * 1024 * 1024,
  /** of a picture whose silhouette is traced */
  picturePixels: 4_000_000,
  drawingPieces: 40_000,
  drawingPathCharacters: 4_000_000,
  drawingColours: 64,
  /**
   * comparisons of the rules of an SVG file's style sheets with its elements, characters of one transform and of one
   * style sheet
   */
  drawingRuleTests: 20_000_000,
  drawingTransformCharacters: 20_000,
  drawingStyleCharacters: 400_000,
} as const;
