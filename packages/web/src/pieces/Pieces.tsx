import { ActionIcon, Menu, UnstyledButton, luminance } from '@mantine/core';
import {
  DndContext,
  PointerSensor,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  isDrawing,
  isLettering,
  isWords,
  type Piece,
  type Project,
  type ShownPiece,
  type FormName,
} from '@fictile/core';
import { IconCube, IconDots, IconEyeOff, IconLock, IconPlus, IconVectorSpline } from '@tabler/icons-react';
import { memo, useMemo, useRef, useState, type MouseEvent, type RefObject } from 'react';
import { afterMenu, NameField } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import type { PieceActions, ShapeKind } from './pieceActions.ts';
import classes from './Pieces.module.css';

interface PiecesProps {
  project: Project;
  shown: readonly ShownPiece[];
  /** the one at work first */
  chosen: readonly string[];
  actions: PieceActions;
  selection: Selection;
  /** a drawing is to be brought in */
  onFile: () => void;
  /** a model is to be brought in */
  onModel: () => void;
  /** a piece is wanted as nothing but its mesh */
  onPlain: (piece: Piece) => void;
  /** a piece is to be put on a body, or words on it */
  onPut: (from: { pieceId?: string; bodyId?: string }) => void;
}

export interface Selection {
  choose: (pieceId: string, isAlso?: boolean) => void;
  chooseTo: (pieceId: string) => void;
  chooseThese: (ids: readonly string[]) => void;
}

/** All pieces of the project, and what can be done with each. */
export function Pieces(props: PiecesProps) {
  const { project, shown, chosen, actions, selection, onFile, onModel } = props;
  // rows are drawn again only when they change; what their menus need they take from here when they open
  const latest = useRef(props);
  latest.current = props;
  const faces = useMemo(() => new Map(shown.map((p) => [p.pieceId, p.faces])), [shown]);
  // by keyboard the menu of a piece does the same
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: PULLED } }));
  const letGo = ({ active, over }: DragEndEvent): void => {
    if (over && over.id !== active.id) props.onPut(rolesOf(project, String(active.id), String(over.id)));
  };
  return (
    <section aria-label={texts.pieces.heading}>
      <header className={classes.head}>
        <h2 className={classes.title}>{texts.pieces.heading}</h2>
        <AddMenu actions={actions} selection={selection} onFile={onFile} onModel={onModel} />
      </header>
      <DndContext sensors={sensors} collisionDetection={pointerWithin} accessibility={SILENT} onDragEnd={letGo}>
        <ul className={classes.list}>
          {project.pieceOrder.map((id) => (
            <PieceRow
              key={id}
              piece={project.pieces[id]}
              faces={faces.get(id)}
              isChosen={chosen.includes(id)}
              isLead={id === chosen[0]}
              latest={latest}
            />
          ))}
        </ul>
      </DndContext>
    </section>
  );
}

const nothing = (): undefined => undefined;
/** What is pulled is seen; who does not see it takes the menus. */
const SILENT = {
  announcements: { onDragStart: nothing, onDragOver: nothing, onDragEnd: nothing, onDragCancel: nothing },
};

/** Pulled by so many pixels a press becomes a drag. */
const PULLED = 6;

/** Words are put on bodies, whichever of the two was pulled. */
function rolesOf({ pieces }: Project, pulled: string, onto: string): { pieceId: string; bodyId: string } {
  const isTurned = !isLettering(pieces[pulled]) && isLettering(pieces[onto]);
  return isTurned ? { pieceId: onto, bodyId: pulled } : { pieceId: pulled, bodyId: onto };
}

const SHAPES = Object.entries(texts.drawing.shapes) as [ShapeKind, string][];

const FORMS = Object.entries(texts.form.names) as [FormName, string][];

/** What a new piece is made of. */
function AddMenu({
  actions,
  selection,
  onFile,
  onModel,
}: Pick<PiecesProps, 'actions' | 'selection' | 'onFile' | 'onModel'>) {
  const t = texts.pieces;
  return (
    <Menu position="bottom-end" withinPortal>
      <Menu.Target>
        <ActionIcon variant="subtle" color="dark" size="sm" aria-label={t.add}>
          <IconPlus size={15} />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown mah={520} style={{ overflowY: 'auto' }}>
        <Menu.Item onClick={() => selection.choose(actions.add())}>{t.addWords}</Menu.Item>
        <Menu.Item onClick={onFile}>{texts.drawing.file}</Menu.Item>
        <Menu.Divider />
        {SHAPES.map(([kind, label]) => (
          <Menu.Item key={kind} onClick={() => selection.choose(actions.addShape(kind))}>
            {label}
          </Menu.Item>
        ))}
        <Menu.Divider />
        <Menu.Label>{texts.form.group}</Menu.Label>
        {FORMS.map(([name, label]) => (
          <Menu.Item key={name} onClick={() => selection.choose(actions.addForm(name))}>
            {label}
          </Menu.Item>
        ))}
        <Menu.Item onClick={onModel}>{texts.form.file}</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}

interface PieceRowProps {
  piece: Piece;
  faces: number | undefined;
  isChosen: boolean;
  isLead: boolean;
  latest: RefObject<PiecesProps>;
}

const PieceRow = memo(function PieceRow({ piece, faces, isChosen, isLead, latest }: PieceRowProps) {
  const [isNaming, setIsNaming] = useState(false);
  const marks = [piece.visible ? '' : texts.pieces.hidden, piece.locked ? texts.pieces.locked : ''].filter(Boolean);
  const figures =
    faces === undefined ? marks.join(', ') : [texts.pieces.figures(piece.source.kind, faces), ...marks].join(', ');
  const pick = (event: MouseEvent): void => {
    const { selection } = latest.current;
    if (event.shiftKey) selection.chooseTo(piece.id);
    else selection.choose(piece.id, event.ctrlKey || event.metaKey);
  };
  const pulled = useDraggable({ id: piece.id });
  const under = useDroppable({ id: piece.id });
  return (
    <li
      ref={under.setNodeRef}
      data-under={under.isOver && !pulled.isDragging}
      data-pulled={pulled.isDragging}
      style={{ translate: pulled.transform ? `${pulled.transform.x}px ${pulled.transform.y}px` : undefined }}
      className={classes.row}
      data-chosen={isChosen}
      data-lead={isLead}
      data-hidden={!piece.visible}
    >
      {isNaming ? (
        <NameField
          label={texts.pieces.rename}
          name={piece.name}
          onDone={(name) => {
            setIsNaming(false);
            if (name !== undefined) latest.current.actions.rename(piece, name);
          }}
        />
      ) : (
        <UnstyledButton
          ref={pulled.setNodeRef}
          {...pulled.listeners}
          className={classes.pick}
          aria-pressed={isChosen}
          onClick={pick}
        >
          <Tile piece={piece} />
          <span style={{ minWidth: 0 }}>
            <div className={classes.name}>{piece.name || texts.pieces.newWords}</div>
            <div className={classes.figures}>{figures}</div>
          </span>
        </UnstyledButton>
      )}
      {!piece.visible && <IconEyeOff size={14} aria-hidden />}
      {piece.locked && <IconLock size={14} aria-hidden />}
      <PieceMenu piece={piece} latest={latest} onRename={() => setIsNaming(true)} />
    </li>
  );
});

/** Contrast from which a letter of one colour stands out on another. */
const LEAST_CONTRAST = 1.6;

/** A colour itself, or ink or paper where it would not be seen. */
function seenOn(ground: string, colour: string): string {
  const [a, b] = [luminance(ground) + 0.05, luminance(colour) + 0.05];
  if (Math.max(a, b) / Math.min(a, b) >= LEAST_CONTRAST) return colour;
  return a > 0.3 ? '#23262d' : '#fdfbf6';
}

/** The first letter in the piece's own colours, or the sign of a drawing. */
function Tile({ piece }: { piece: Piece }) {
  const letter = isWords(piece) ? (
    (piece.source.graphemes.find((g) => g.text.trim() !== '')?.text ?? '–')
  ) : isDrawing(piece) ? (
    <IconVectorSpline size={15} />
  ) : (
    <IconCube size={15} />
  );
  return (
    <span
      className={classes.tile}
      style={{ background: piece.slots.wall.colour, color: seenOn(piece.slots.wall.colour, piece.slots.front.colour) }}
      aria-hidden
    >
      {letter}
    </span>
  );
}

/** Others that places can be taken from; more would be no menu any more. */
const MOST_OTHERS = 40;

type MenuProps = Pick<PieceRowProps, 'piece' | 'latest'> & { onRename: () => void };

/** Its items are made when it opens. */
function PieceMenu(props: MenuProps) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <Menu position="bottom-end" withinPortal opened={isOpen} onChange={setIsOpen}>
      <Menu.Target>
        <ActionIcon variant="subtle" color="dark" size="sm" aria-label={texts.pieces.menu(props.piece.name)}>
          <IconDots size={15} />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown>{isOpen && <MenuItems {...props} />}</Menu.Dropdown>
    </Menu>
  );
}

function MenuItems({ piece, latest, onRename }: MenuProps) {
  const { project, chosen, actions, selection, onPlain, onPut } = latest.current;
  const t = texts.pieces;
  const isChosen = chosen.includes(piece.id);
  // the menu of a chosen piece is for all that are chosen
  const several = isChosen ? chosen.map((id) => project.pieces[id]) : [piece];
  const others = project.pieceOrder
    .map((id) => project.pieces[id])
    .filter((other) => other.visible && !several.includes(other))
    .slice(0, MOST_OTHERS);
  const isFree = several.some((p) => !p.locked);
  return (
    <>
      {several.length > 1 && <Menu.Label>{t.several(several.length)}</Menu.Label>}
      <Menu.Item onClick={() => afterMenu(onRename)}>{t.rename}</Menu.Item>
      <Menu.Item onClick={() => selection.chooseThese(actions.duplicate(several))}>{t.duplicate}</Menu.Item>
      {several.length === 1 && <Menu.Item onClick={() => onPlain(piece)}>{t.plain}</Menu.Item>}
      <Menu.Item onClick={() => actions.show(several, !piece.visible)}>{piece.visible ? t.hide : t.show}</Menu.Item>
      <Menu.Item onClick={() => actions.showAlone(several)}>{t.alone}</Menu.Item>
      <Menu.Item onClick={() => actions.showAll()}>{t.all}</Menu.Item>
      <Menu.Item onClick={() => actions.lock(several, !piece.locked)}>{piece.locked ? t.unlock : t.lock}</Menu.Item>
      {project.pieceOrder.length > 1 && (
        <Menu.Item onClick={() => selection.choose(piece.id, true)}>{isChosen ? t.notThis : t.alsoThis}</Menu.Item>
      )}
      {several.length === 1 && isFree && (
        <>
          <Menu.Divider />
          <Menu.Item onClick={() => afterMenu(() => onPut({ pieceId: piece.id }))}>{texts.put.act.on}</Menu.Item>
          {!isLettering(piece) && (
            <Menu.Item onClick={() => afterMenu(() => onPut({ bodyId: piece.id }))}>{texts.put.act.words}</Menu.Item>
          )}
        </>
      )}
      <Menu.Divider />
      <Menu.Item disabled={!isFree} onClick={() => actions.toZero(several)}>
        {t.toZero}
      </Menu.Item>
      <Menu.Item disabled={!isFree} onClick={() => actions.ontoTable(several)}>
        {t.onTable}
      </Menu.Item>
      <Others label={t.centreOn} others={others} onTake={(other) => actions.centreOn(several, other)} />
      <Others label={t.beside} others={others} onTake={(other) => actions.beside(several, other)} />
      <Menu.Divider />
      <Menu.Item color="var(--clay)" disabled={!isFree} onClick={() => actions.remove(several)}>
        {t.remove}
      </Menu.Item>
    </>
  );
}

interface OthersProps {
  label: string;
  others: readonly Piece[];
  onTake: (other: Piece) => void;
}

function Others({ label, others, onTake }: OthersProps) {
  if (others.length === 0) return null;
  return (
    <Menu.Sub>
      <Menu.Sub.Target>
        <Menu.Sub.Item>{label}</Menu.Sub.Item>
      </Menu.Sub.Target>
      <Menu.Sub.Dropdown mah={320} style={{ overflowY: 'auto' }}>
        {others.map((other) => (
          <Menu.Item key={other.id} onClick={() => onTake(other)}>
            {other.name || texts.pieces.newWords}
          </Menu.Item>
        ))}
      </Menu.Sub.Dropdown>
    </Menu.Sub>
  );
}
