import { texts } from '../words/index.ts';
import { AddMenu } from './AddMenu.tsx';
import classes from './Pieces.module.css';
import { PieceTree } from './PieceTree.tsx';
import type { TreeProps } from './treeTools.ts';

interface PiecesProps extends TreeProps {
  /** a drawing is to be brought in */
  onFile: () => void;
  /** a model is to be brought in */
  onModel: () => void;
}

/** All pieces of the project, and what can be done with each. */
export function Pieces({ onFile, onModel, ...tree }: PiecesProps) {
  return (
    <section aria-label={texts.pieces.heading}>
      <header className={classes.head}>
        <h2 className={classes.title}>{texts.pieces.heading}</h2>
        <AddMenu actions={tree.actions} choose={tree.chosen.choose} {...{ onFile, onModel }} />
      </header>
      {tree.project.pieceOrder.length > 0 && <PieceTree {...tree} />}
    </section>
  );
}
