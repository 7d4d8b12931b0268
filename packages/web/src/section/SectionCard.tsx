import { CloseButton, SegmentedControl, UnstyledButton } from '@mantine/core';
import { sectionOf, usualKnots, usualSideKnots, type Edge, type Piece, type ShownPiece, type Side } from '@fictile/core';
import { useMemo, useRef, useState } from 'react';
import { asKind, pieceEdits, PICTURES, type PieceEdits } from '../recipe/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { ChoiceValue, NumberValue, Sentence } from '../ui/index.ts';
import type { GeometryShelf } from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import {
  knobMoved,
  knobsOf,
  middleAfter,
  MOST_POINTS,
  partAtWork,
  pointAdded,
  pointDropped,
  pointMoved,
  SECTION_PARTS,
  shapeOf,
  sharesAt,
  type Change,
  type SectionPart,
} from './knobs.ts';
import { LetterCut } from './LetterCut.tsx';
import classes from './Section.module.css';
import { SectionDrawing } from './SectionDrawing.tsx';
import { KeptRow, UsualRow } from './ShapeRow.tsx';

interface SectionCardProps {
  store: ProjectStore;
  /** the piece at work, and those chosen with it */
  pieces: readonly Piece[];
  shown: ShownPiece | undefined;
  shelf: GeometryShelf;
  picked: readonly number[];
  onClose: () => void;
}

/** The section of the solid in one line, drawn by hand: front edge, side, back edge, with a letter of the mesh cut across beside it. */
export function SectionCard(props: SectionCardProps) {
  const { pieces, shown, shelf, picked, onClose } = props;
  const [piece] = pieces;
  const [part, setPart] = useState<SectionPart>('front');
  const [point, setPoint] = useState<number>();
  const section = useMemo(() => sectionOf(piece), [piece]);
  const { put, begin } = useChanges(props);
  const t = texts.section;
  const shape = shapeOf(piece, part);
  const canAdd = shape.kind === 'drawn' && shape.points.length < MOST_POINTS;
  const add = (at: Parameters<typeof pointAdded>[2]): void => {
    const { change, index } = pointAdded(piece, partAtWork(piece, part), at);
    begin();
    put(change);
    setPoint(index);
  };
  const drop = (index: number): void => {
    begin();
    put(pointDropped(piece, partAtWork(piece, part), index));
    setPoint(undefined);
  };
  const set = (index: number, values: Partial<Edge['points'][number]>): void =>
    put(pointMoved(piece, partAtWork(piece, part), index, values));
  return (
    <section className={classes.card} aria-label={t.title}>
      <header className={classes.head}>
        <h2 className={classes.title}>{t.title}</h2>
        <SegmentedControl
          size="xs"
          aria-label={t.partLabel}
          data={SECTION_PARTS.map((value) => ({ value, label: t.parts[value] }))}
          value={part}
          onChange={(next) => {
            setPart(next as SectionPart);
            setPoint(undefined);
          }}
        />
        <CloseButton aria-label={texts.close} onClick={onClose} size="sm" />
      </header>
      {part === 'back' && piece.body.solid.backAsFront && <p className={classes.hint}>{t.asFront}</p>}
      {!section && <p className={classes.hint}>{t.none}</p>}
      {section && (
        <div className={classes.sheet}>
          <SectionDrawing
            section={section}
            part={part}
            knobs={knobsOf(piece, section, part)}
            point={point}
            onPoint={setPoint}
            begin={begin}
            move={(knob, to) => {
              const change = knobMoved(piece, section, knob, to);
              if (change) put(change);
            }}
            turn={(index) => {
              begin();
              set(index, { smooth: !shape.points[index].smooth });
            }}
            drop={drop}
            add={canAdd ? (at) => add({ in: 0, down: 0, ...sharesAt(section.frames[part], at) }) : undefined}
          />
          {shown && <LetterCut shown={shown} shelf={shelf} picked={picked} />}
        </div>
      )}
      {section && (
        <>
          <PointSentence
            shape={shape}
            point={point}
            set={set}
            begin={begin}
            drop={drop}
            add={canAdd ? () => add(middleAfter(piece, partAtWork(piece, part), point ?? -1)) : undefined}
            draw={() => put(drawn(piece, part))}
          />
          <Shapes piece={piece} part={part} put={put} />
        </>
      )}
    </section>
  );
}

/** Every drag one step of undo. */
function useChanges({ store, pieces }: SectionCardProps): { put: (change: Change) => void; begin: () => void } {
  const drags = useRef(0);
  const edits: PieceEdits = useMemo(() => pieceEdits(store, pieces, { isDrag: true }), [store, pieces]);
  const { side } = pieces[0].body.solid;
  return {
    begin: () => void drags.current++,
    put: (change) => {
      const key = `section ${drags.current}`;
      if (change.part === 'side') edits.solid({ side: { ...side, ...change.values } }, key);
      else edits.edge(change.part, change.values, key);
    },
  };
}

/** What stands now as something drawn. */
function drawn(piece: Piece, part: SectionPart): Change {
  const at = partAtWork(piece, part);
  const shape = shapeOf(piece, part);
  if (at === 'side') {
    const kind = shape.kind as Side['kind'];
    return { part: at, values: { kind: 'drawn', points: kind === 'drawn' ? shape.points : [...usualSideKnots(kind)] } };
  }
  const kind = shape.kind as Edge['kind'];
  return { part: at, values: { kind: 'drawn', points: kind === 'drawn' ? shape.points : [...usualKnots(kind)] } };
}

interface PointProps {
  shape: Edge | Side;
  point: number | undefined;
  set: (index: number, values: Partial<Edge['points'][number]>) => void;
  begin: () => void;
  drop: (index: number) => void;
  add: (() => void) | undefined;
  draw: () => void;
}

/** The point that is looked at, in numbers; or what can be done. */
function PointSentence({ shape, point, set, begin, drop, add, draw }: PointProps) {
  const t = texts.section;
  if (shape.kind !== 'drawn')
    return (
      <p className={classes.sentence}>
        {t.usualHint} <Link label={t.draw} onPress={draw} />
      </p>
    );
  const at = point === undefined ? undefined : (shape.points[point] as Edge['points'][number] | undefined);
  const addIt = add && <Link label={t.add} onPress={add} />;
  if (point === undefined || !at)
    return (
      <p className={classes.sentence}>
        {t.hint} {addIt}
      </p>
    );
  const percent = { kind: 'plain', unit: '%', step: 1 } as const;
  const take = (key: 'in' | 'down') => (value: number, isDrag: boolean) => {
    if (!isDrag) begin();
    set(point, { [key]: value / 100 });
  };
  const values = {
    n: String(point + 1),
    count: String(shape.points.length),
    in: <NumberValue {...percent} label={t.pointIn} value={Math.round(at.in * 1e4) / 100} min={-400} max={400} onChange={take('in')} />,
    down: <NumberValue {...percent} label={t.pointDown} value={Math.round(at.down * 1e4) / 100} min={0} max={100} onChange={take('down')} />,
    how: (
      <ChoiceValue
        label={t.pointHow}
        value={at.smooth ? 'smooth' : 'corner'}
        choices={[{ value: 'smooth', label: t.hows.smooth }, { value: 'corner', label: t.hows.corner }]}
        onChange={(how) => { begin(); set(point, { smooth: how === 'smooth' }); }}
      />
    ),
    drop: <Link label={t.drop} onPress={() => drop(point)} />,
  }; // prettier-ignore
  return (
    <p className={classes.sentence}>
      <Sentence template={t.point} values={values} /> {addIt}
    </p>
  );
}

const Link = ({ label, onPress }: { label: string; onPress: () => void }) => (
  <UnstyledButton className={classes.link} onClick={onPress}>
    {label}
  </UnstyledButton>
);

const EDGE_KINDS = (Object.keys(texts.kinds) as Edge['kind'][]).map((kind) => ({ kind, label: texts.kinds[kind], picture: PICTURES.edges[kind] })); // prettier-ignore
const SIDE_KINDS = (Object.keys(texts.sides) as Side['kind'][]).map((kind) => ({ kind, label: texts.sides[kind], picture: PICTURES.solidSides[kind] })); // prettier-ignore

/** Kinds and kept shapes of the part at work. */
function Shapes({ piece, part, put }: { piece: Piece; part: SectionPart; put: (change: Change) => void }) {
  const at = partAtWork(piece, part);
  const shape = shapeOf(piece, part);
  const points = shape.kind === 'drawn' ? shape.points : undefined;
  const asDrawn = (next: Edge['points']): void => put({ part: at, values: { kind: 'drawn', points: next } });
  if (at === 'side')
    return (
      <>
        <UsualRow usual={SIDE_KINDS} kind={shape.kind as Side['kind']} onKind={(kind) => put(kind === 'drawn' ? drawn(piece, part) : { part: at, values: { kind } })} />
        <KeptRow kind="side" points={points} onPoints={asDrawn} />
      </>
    ); // prettier-ignore
  const edge = shape as Edge;
  return (
    <>
      <UsualRow
        usual={EDGE_KINDS}
        kind={edge.kind}
        onKind={(kind) => put({ part: at, values: asKind(edge, kind) })}
      />
      <KeptRow kind="edge" points={points} onPoints={asDrawn} />
    </>
  );
}
