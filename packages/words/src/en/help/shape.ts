import type { HelpWords } from '../../helpWords.ts';

/** Of steps that shape, cast and reduce. */
export const SHAPE_HELP = {
  STEP_LEFT_OUT: {
    name: 'A step left out',
    means: 'It would make more faces than the project allows. The piece is shown as it was before the step.',
    helps: 'Do it fewer times, or make the faces larger first.',
  },
  SHAPE_FOLDS: {
    name: 'Folded into itself',
    means: 'Where letters lie inside of a tight curve there is no room for them, so they turn inside out.',
    helps: 'Stay within the value that is told, or keep another face’s length: that one is not squeezed.',
  },
  SHAPE_TOUCHES: {
    name: 'Ends that touch',
    means: 'Bent by a whole turn, the last letter comes to stand in the first.',
    helps: 'Bend a degree less, as the button does.',
  },
  SHAPE_CROSSES: {
    name: 'Shaped through each other',
    means: 'Moved by the steps, faces come to run through each other: letters through letters, or walls through walls.',
    helps: 'Check the mesh to see the places. Take a gentler value, set letters wider, or make the faces finer.',
  },
  SHAPE_STRAYS: {
    name: 'Faces that cut the curve short',
    means: 'The faces were kept as they are. Their corners are on the shape, their middles lie off it.',
    helps: 'Let them become as fine as the shape needs, as the button does.',
  },
  SHAPE_LOOSER: {
    name: 'A greater tolerance',
    means: 'Within the tolerance asked for the shape would take more faces than it may have.',
    helps: 'Keep it so with the button, or make the shape gentler.',
  },
  SHAPE_COARSE: {
    name: 'Some edges stay long',
    means: 'Edges are cut where the shape bends most. Before all were short enough the faces allowed were used up.',
    helps: 'Make the shape gentler, or the tolerance greater.',
  },
  LINE_ENDS: {
    name: 'The line is too short',
    means: 'Letters beyond the end of the line have nothing to stand on.',
    helps: 'Make the line longer or the words smaller, let the line go on straight, or close it to a ring.',
  },
  RUN_NOTHING: {
    name: 'Nothing to run along',
    means: 'The step runs along an edge of another piece, and none is chosen, or the piece has no such edge.',
    helps: 'Choose a piece with a rim, a foot or another crisp edge.',
  },
  RECAST_TOO_FINE: {
    name: 'Too small cells',
    means: 'To remesh, a grid of cells is laid through the piece. This one would not fit into memory.',
    helps: 'Take cells of the size that is told, or larger.',
  },
  RECAST_VANISHES: {
    name: 'Smaller than a cell',
    means: 'The piece is thinner than the cells, so that none of them lies within it.',
    helps: 'Take smaller cells, or give thin sheets a thickness.',
  },
  RECAST_LOSES: {
    name: 'Thin strokes lost in remeshing',
    means: 'Strokes thinner than two cells fall away, and gaps narrower than that are filled.',
    helps: 'Take smaller cells. The button halves them; where strokes end in a hair, press it again.',
  },
  REDUCE_SHORT: {
    name: 'Not reduced as far as asked',
    means: 'Fewer triangles would cross each other, or part what hangs together.',
    helps: 'Keep what is left, or make the piece simpler first: fewer steps on its edges, a greater tolerance.',
  },
  PIECES_CROSS: {
    name: 'Two pieces in one place',
    means: 'Their faces run through each other. In a picture nobody sees it; for printing it is no solid.',
    helps: 'Make room with the button, or join them: put one on the other and let it be joined.',
  },
} satisfies Partial<HelpWords>;
