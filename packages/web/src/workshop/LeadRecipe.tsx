import { Alert, Text } from '@mantine/core';
import { groundOf, isGroup, type Item, type Piece } from '@fictile/core';
import { useMemo } from 'react';
import {
  canFit,
  useActs,
  useChoice,
  useDocument,
  useMeshes,
  useOpenParts,
  useOthers,
  useTrials,
} from '../bench/index.ts';
import { LinkedLine } from '../copies/index.ts';
import { hooks } from '../pieces/index.ts';
import { putPlace, Recipe, type PlaceBench } from '../recipe/index.ts';
import { failureText, texts } from '../words/index.ts';
import classes from './Workbench.module.css';

/** The recipe of the piece at work, and what went wrong with it. */
export function LeadRecipe() {
  const { lead } = useChoice();
  return (
    <aside className={classes.recipe} aria-label={texts.recipe.label}>
      {lead ? <RecipeOf lead={lead} /> : <Text p="md">{texts.workshop.noPieces}</Text>}
      <Faults />
    </aside>
  );
}

function RecipeOf({ lead }: { lead: Piece }) {
  const { store, project } = useDocument();
  const { chosen, picked, typing } = useChoice();
  const { evaluation, shown } = useMeshes();
  const { acts } = useTrials();
  const { drawings, fit, lookFrom } = useActs();
  const open = useOpenParts();
  return (
    <Recipe
      pieces={chosen.pieces}
      store={store}
      shown={shown}
      milliseconds={evaluation.milliseconds}
      atWork={open.atWork}
      onWork={open.setAtWork}
      onStep={open.setStepId}
      picked={picked}
      readCurve={drawings.readCurve}
      acts={acts}
      laying={{ fit: canFit(lead) ? fit : undefined, fromView: lookFrom }}
      others={useOthers(project, evaluation, lead.id)}
      place={usePlace(chosen.items[0])}
      linked={
        chosen.items.length === 1 &&
        !chosen.group && (
          <LinkedLine
            project={project}
            piece={project.pieces[lead.id]}
            choose={chosen.chooseThese}
            edit={(edit) => store.edit(edit)}
          />
        )
      }
      onPick={(ids) => typing.pick(lead.id, ids)}
      onSection={() => open.setShowsSection(true)}
    />
  );
}

/** Where what is at work stands. */
function usePlace(item: Item): PlaceBench {
  const { store, project } = useDocument();
  const { actions, pivoting } = useActs();
  return {
    item,
    pivoting,
    ground: isGroup(item) ? undefined : groundOf(project, item),
    hooks: useMemo(() => hooks(project, [item]), [project, item]),
    put: putPlace(store, item),
    hang: (hung) => (hung ? actions.hang([item], hung) : actions.takeOff([item])),
  };
}

function Faults() {
  const { refusal } = useDocument();
  const { lead } = useChoice();
  const { evaluation } = useMeshes();
  const failure = refusal ?? evaluation.failures.find((f) => f.pieceId === lead?.id)?.error;
  if (!failure) return null;
  return (
    <Alert color="red" role="alert" m="md">
      {failureText(failure)}
    </Alert>
  );
}
