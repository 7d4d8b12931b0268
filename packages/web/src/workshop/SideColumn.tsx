import { pieceIdsOf, type Box3, type Item, type Project } from '@fictile/core';
import { useState } from 'react';
import { useActs, useChoice, useDocument, useMeshes, useTrials } from '../bench/index.ts';
import { Checks, OnceChecks } from '../checks/index.ts';
import { CopiesDialog, type ToCopy } from '../copies/index.ts';
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
  const [copied, setCopied] = useState<readonly Item[]>(NONE);
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
        onCopies={setCopied}
        isPutting={now !== undefined}
        onPut={start}
      />
      <LeadChecks />
      <CopiesDialog
        of={toCopy(copied, project, actions.boxAround(copied))}
        present={project.pieceOrder.length}
        onMake={(motions) => {
          chosen.chooseThese(actions.copies(copied, motions));
          setCopied(NONE);
        }}
        onClose={() => setCopied(NONE)}
      />
    </aside>
  );
}

const NONE: readonly Item[] = [];

function toCopy(items: readonly Item[], project: Project, box: Box3 | undefined): ToCopy | undefined {
  if (items.length === 0) return undefined;
  const inside = items.flatMap((item) => pieceIdsOf(project, item));
  return { name: items.map(({ name }) => name).join(', '), pieces: inside.length, box };
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
