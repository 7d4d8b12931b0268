import { useActs, useChoice, useDocument, useMeshes, useTrials } from '../bench/index.ts';
import { Checks, OnceChecks } from '../checks/index.ts';
import { Pieces } from '../pieces/index.ts';
import { texts } from '../words/index.ts';
import classes from './Workbench.module.css';

/** All pieces, and the checks of the one at work. */
export function SideColumn() {
  const { project } = useDocument();
  const { chosen } = useChoice();
  const { evaluation } = useMeshes();
  const { actions, drawings, models } = useActs();
  const { start, now } = useTrials().acts;
  return (
    <aside className={classes.side} aria-label={texts.pieces.heading}>
      <Pieces
        project={project}
        shown={evaluation.pieces}
        chosen={chosen}
        actions={actions}
        onFile={drawings.choose}
        onModel={models.choose}
        onPlain={models.makePlain}
        isPutting={now !== undefined}
        onPut={start}
      />
      <LeadChecks />
    </aside>
  );
}

function LeadChecks() {
  const { store, project } = useDocument();
  const { lead } = useChoice();
  const { client, shown } = useMeshes();
  const { marks } = useActs();
  const { now } = useTrials().acts;
  if (now) return <OnceChecks onto={now.shown?.onto} />;
  if (!shown || shown.faces === 0) return null;
  return (
    <Checks
      client={client}
      project={project}
      pieceId={lead?.id}
      shownPiece={shown}
      shown={marks.what}
      onShow={marks.set}
      onCure={(id, cure) => store.edit(cure.edit(store.project.pieces[id], crypto.randomUUID()))}
      onEdits={(edits) => store.edit({ kind: 'many', edits })}
    />
  );
}
