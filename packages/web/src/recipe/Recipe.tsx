import { Text, UnstyledButton } from '@mantine/core';
import { isDrawing, isForm, isGroup, isLettering, isModel, isShapeStep, isWords, type Piece } from '@fictile/core';
import { useMemo, type ReactNode } from 'react';
import type { ProjectStore } from '../store/index.ts';
import { texts } from '../words/index.ts';
import { FormChapter, ModelChapter } from './BodyChapter.tsx';
import { DrawingChapter } from './DrawingChapter.tsx';
import { FacesChapter } from './FacesChapter.tsx';
import { FinishChapter } from './FinishChapter.tsx';
import { pieceEdits } from './pieceEdits.ts';
import { PlaceChapter } from './PlaceChapter.tsx';
import classes from './Recipe.module.css';
import { pasteRecipe, putRecipe } from './recipeClipboard.ts';
import { RecipeContext, type Of, type RecipeBench } from './recipeContext.ts';
import { SolidChapter } from './solid/SolidChapter.tsx';
import { StepsChapter } from './steps/StepsChapter.tsx';
import type { ChapterName } from './recipeContext.ts';
import { WordsChapter } from './WordsChapter.tsx';

interface RecipeProps extends Pick<
  RecipeBench,
  'shown' | 'milliseconds' | 'onStep' | 'picked' | 'onPick' | 'onSection' | 'readCurve' | 'others' | 'place'
> {
  /** the piece at work, and those chosen with it; at least one */
  pieces: readonly Piece[];
  store: ProjectStore;
  atWork: ChapterName | undefined;
  onWork: (chapter: ChapterName) => void;
  laying?: RecipeBench['laying'];
  /** what the piece follows, or what follows it */
  linked?: ReactNode;
  acts?: RecipeBench['acts'];
}

/** How a piece is made, as sentences with live values. */
export function Recipe({ pieces, store, atWork, onWork, laying, acts, linked, ...shared }: RecipeProps) {
  const [piece] = pieces;
  const edits = useMemo(() => pieceEdits(store, pieces), [store, pieces]);
  const bench: RecipeBench = {
    ...shared,
    ...{ edits, laying, acts },
    remarks: shared.shown?.remarks ?? [],
    work: {
      at: atWork,
      set: onWork,
      copy: (chapter) => putRecipe(piece, [chapter]),
      paste: () => pasteRecipe(store, pieces),
    },
  };
  return (
    <RecipeContext value={bench}>
      {isGroup(shared.place.item) ? (
        <Text className={classes.several}>{texts.recipe.inGroup(shared.place.item.name, pieces.length)}</Text>
      ) : (
        pieces.length > 1 && <Text className={classes.several}>{texts.recipe.several(pieces.length)}</Text>
      )}
      {linked && <div className={classes.several}>{linked}</div>}
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
        <Chapters piece={piece} />
      </div>
    </RecipeContext>
  );
}

/** Which chapters a piece has, by what it is made of. */
function Chapters({ piece }: Of<Piece>) {
  return (
    <>
      {isWords(piece) && <WordsChapter piece={piece} />}
      {isDrawing(piece) && <DrawingChapter piece={piece} />}
      {isForm(piece) && <FormChapter piece={piece} />}
      {isModel(piece) && <ModelChapter piece={piece} />}
      {isLettering(piece) && <SolidChapter piece={piece} />}
      {(!isModel(piece) || piece.steps.some(isShapeStep)) && <FacesChapter piece={piece} />}
      <StepsChapter piece={piece} />
      <FinishChapter piece={piece} />
      <PlaceChapter />
    </>
  );
}
