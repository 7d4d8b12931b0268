import { Text, UnstyledButton } from '@mantine/core';
import {
  isDrawing,
  isForm,
  isLettering,
  isModel,
  isShapeStep,
  isWords,
  type Piece,
  type ShownPiece,
} from '@fictile/core';
import { useMemo } from 'react';
import type { ProjectStore } from '../store/index.ts';
import { texts } from '../words/index.ts';
import { FormChapter, ModelChapter } from './BodyChapter.tsx';
import { type OtherPiece } from './PieceChoice.tsx';
import { DrawingChapter } from './DrawingChapter.tsx';
import { FacesChapter } from './FacesChapter.tsx';
import { FinishChapter } from './FinishChapter.tsx';
import { pieceEdits } from './pieceEdits.ts';
import { PlaceChapter } from './PlaceChapter.tsx';
import classes from './Recipe.module.css';
import { pasteRecipe, putRecipe } from './recipeClipboard.ts';
import type { ChapterProps } from './sentenceParts.tsx';
import { SolidChapter } from './solid/SolidChapter.tsx';
import type { Laying } from './put/PutRow.tsx';
import type { PutActs } from './put/putting.ts';
import { StepsChapter } from './steps/StepsChapter.tsx';
import type { ChapterName } from './Told.tsx';
import { WordsChapter } from './WordsChapter.tsx';

interface RecipeProps {
  /** the piece at work, and those chosen with it; at least one */
  pieces: readonly Piece[];
  store: ProjectStore;
  /** as built; undefined while nothing is */
  shown: ShownPiece | undefined;
  milliseconds: number;
  atWork: ChapterName | undefined;
  onWork: (chapter: ChapterName) => void;
  /** which step is worked on */
  onStep: (id: string) => void;
  /** ids of graphemes of the piece at work that were picked on the letters */
  picked: readonly number[];
  onPick: (ids: readonly number[]) => void;
  onSection: () => void;
  readCurve: ChapterProps['readCurve'];
  /** what is done with how the piece lies on another one */
  laying?: Laying;
  /** pieces put on bodies; left out: there is nothing to press */
  acts?: PutActs;
  /** the other pieces, as they are shown */
  others: readonly OtherPiece[];
}

/** How a piece is made, as sentences with live values. */
export function Recipe({
  pieces,
  store,
  shown,
  milliseconds,
  atWork,
  onWork,
  onStep,
  picked,
  onPick,
  onSection,
  readCurve,
  laying,
  acts,
  others,
}: RecipeProps) {
  const [piece] = pieces;
  const edits = useMemo(() => pieceEdits(store, pieces), [store, pieces]);
  const common: ChapterProps = {
    piece,
    edits,
    remarks: shown?.remarks ?? [],
    picked,
    onPick,
    onSection,
    readCurve,
    work: {
      at: atWork,
      set: onWork,
      copy: (chapter) => putRecipe(piece, [chapter]),
      paste: () => pasteRecipe(store, pieces),
    },
  };
  return (
    <>
      {pieces.length > 1 && <Text className={classes.several}>{texts.recipe.several(pieces.length)}</Text>}
      {piece.locked && (
        <div className={classes.several}>
          {texts.recipe.locked}{' '}
          <UnstyledButton
            className={classes.unlock}
            onClick={() => store.edit({ kind: 'setPiece', pieceId: piece.id, values: { locked: false } })}
          >
            {texts.pieces.unlock}
          </UnstyledButton>
        </div>
      )}
      <div inert={piece.locked} className={classes.chapters}>
        {isWords(piece) && <WordsChapter {...common} piece={piece} />}
        {isDrawing(piece) && <DrawingChapter {...common} piece={piece} />}
        {isForm(piece) && <FormChapter {...common} piece={piece} others={others} />}
        {isModel(piece) && <ModelChapter {...common} piece={piece} />}
        {isLettering(piece) && <SolidChapter {...common} piece={piece} />}
        {(!isModel(piece) || piece.steps.some(isShapeStep)) && (
          <FacesChapter
            {...common}
            need={shown?.need}
            figures={shown && shown.bodyFaces > 0 ? texts.recipe.built(shown.bodyFaces, milliseconds) : undefined}
          />
        )}
        <StepsChapter
          {...common}
          stepFaces={shown?.stepFaces ?? []}
          shown={shown}
          others={others}
          onStep={onStep}
          laying={laying}
          acts={acts}
        />
        <FinishChapter {...common} />
        <PlaceChapter {...common} others={others} />
      </div>
    </>
  );
}
