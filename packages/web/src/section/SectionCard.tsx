import { CloseButton, SegmentedControl, UnstyledButton } from '@mantine/core';
import {
  PROFILE_KNOT,
  isWire,
  isDrawn,
  isLettering,
  type Edge,
  type Piece,
  type ShownPiece,
  type Side,
} from '@fictile/core';
import { useEffect, useRef } from 'react';
import { PICTURES } from '../fields/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { shownAs, ChoiceValue, NumberValue, Sentence, useMovable } from '../ui/index.ts';
import type { GeometryShelf } from '../viewport/index.ts';
import { texts } from '../words/index.ts';
import { knobMoved, knobsOf, SECTION_PARTS, sharesAt, type SectionPart } from './knobs.ts';
import { LetterCut } from './LetterCut.tsx';
import classes from './Section.module.css';
import { SectionDrawing } from './SectionDrawing.tsx';
import { KeptRow, UsualRow } from './ShapeRow.tsx';
import { useSection, type SectionWork } from './useSection.ts';

interface SectionCardProps {
  store: ProjectStore;
  /** the piece at work, and those chosen with it */
  pieces: readonly Piece[];
  shown: ShownPiece | undefined;
  shelf: GeometryShelf;
  picked: readonly number[];
  onClose: () => void;
}

/**
 * The section of the solid in one line, drawn by hand: front edge, side, back edge, with a letter of the mesh cut
 * across beside it.
 */
export function SectionCard(props: SectionCardProps) {
  const { pieces, shown, shelf, picked, onClose } = props;
  const [piece] = pieces;
  const work = useSection(props);
  const { part, point, shape, section } = work;
  const t = texts.section;
  const card = useRef<HTMLElement>(null);
  const { style, grip } = useMovable();
  useEffect(() => card.current?.focus({ preventScroll: true }), []);
  return (
    <section
      ref={card}
      tabIndex={-1}
      className={classes.card}
      style={style}
      aria-label={t.title}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        onClose();
      }}
    >
      <Head {...{ piece, work, grip, onClose }} />
      {part === 'back' && piece.body.solid.backAsFront && <p className={classes.hint}>{t.asFront}</p>}
      {!section && <p className={classes.hint}>{t.none}</p>}
      {section && (
        <>
          <div className={classes.sheet}>
            <SectionDrawing
              {...{ section, part, point }}
              knobs={knobsOf(piece, section, part)}
              onPoint={work.setPoint}
              begin={work.begin}
              move={(knob, to) => work.put(knobMoved(piece, section, knob, { to }))}
              turn={(index) => work.once(work.moved(index, { smooth: !shape.points[index].smooth }))}
              drop={work.drop}
              add={work.add && ((at) => work.add?.({ in: 0, down: 0, ...sharesAt(section.frames[part], at) }))}
            />
            {shown && <LetterCut shown={shown} shelf={shelf} picked={picked} />}
          </div>
          <PointSentence work={work} />
          <Shapes work={work} />
        </>
      )}
    </section>
  );
}

interface HeadProps {
  piece: Piece;
  work: SectionWork;
  grip: ReturnType<typeof useMovable>['grip'];
  onClose: () => void;
}

/** By which the card is moved; and which part of the section is worked on. */
function Head({ piece, work, grip, onClose }: HeadProps) {
  const t = texts.section;
  return (
    <header className={classes.head}>
      <h2 className={classes.title} tabIndex={0} aria-description={t.moved} {...grip}>
        {t.title}
      </h2>
      {isLettering(piece) && !isWire(piece.source.contour) && (
        <SegmentedControl
          size="xs"
          classNames={{ root: classes.parts }}
          aria-label={t.partLabel}
          data={SECTION_PARTS.map((value) => ({ value, label: t.parts[value] }))}
          value={work.part}
          onChange={(next) => work.setPart(next as SectionPart)}
        />
      )}
      <CloseButton aria-label={texts.close} onClick={onClose} size="sm" />
    </header>
  );
}

/** The point that is looked at, in numbers; or what can be done. */
function PointSentence({ work }: { work: SectionWork }) {
  const { shape, point, once, put, moved, drop } = work;
  const t = texts.section;
  if (!isDrawn(shape))
    return (
      <p className={classes.sentence}>
        {t.usualHint} <Link label={t.draw} onPress={() => once(work.drawn())} />
      </p>
    );
  const at = point === undefined ? undefined : (shape.points[point] as Edge['points'][number] | undefined);
  const addIt = work.add && <Link label={t.add} onPress={() => work.add?.(work.middle())} />;
  if (point === undefined || !at)
    return (
      <p className={classes.sentence}>
        {t.hint} {addIt}
      </p>
    );
  const take = (key: 'in' | 'down') => (value: number, isDrag: boolean) =>
    isDrag ? put(moved(point, { [key]: value / 100 }), `point ${key}`) : once(moved(point, { [key]: value / 100 }));
  const values = {
    n: String(point + 1),
    count: String(shape.points.length),
    in: (
      <NumberValue
        {...shownAs(PROFILE_KNOT.in)}
        usual={undefined}
        label={t.pointIn}
        value={Math.round(at.in * 1e4) / 100}
        onChange={take('in')}
      />
    ),
    down: (
      <NumberValue
        {...shownAs(PROFILE_KNOT.down)}
        usual={undefined}
        label={t.pointDown}
        value={Math.round(at.down * 1e4) / 100}
        onChange={take('down')}
      />
    ),
    how: (
      <ChoiceValue
        label={t.pointHow}
        value={at.smooth ? 'smooth' : 'corner'}
        choices={HOWS}
        onChange={(how) => once(moved(point, { smooth: how === 'smooth' }))}
      />
    ),
    drop: <Link label={t.drop} onPress={() => drop(point)} />,
  };
  return (
    <p className={classes.sentence}>
      <Sentence template={t.point} values={values} /> {addIt}
    </p>
  );
}

const HOWS = (['smooth', 'corner'] as const).map((value) => ({ value, label: texts.section.hows[value] }));

const Link = ({ label, onPress }: { label: string; onPress: () => void }) => (
  <UnstyledButton className={classes.link} onClick={onPress}>
    {label}
  </UnstyledButton>
);

const EDGE_KINDS = (Object.keys(texts.kinds) as Edge['kind'][]).map((kind) => ({
  kind,
  label: texts.kinds[kind],
  picture: PICTURES.edges[kind],
}));
const SIDE_KINDS = (Object.keys(texts.sides) as Side['kind'][]).map((kind) => ({
  kind,
  label: texts.sides[kind],
  picture: PICTURES.solidSides[kind],
}));

/** Kinds and kept shapes of the part at work. */
function Shapes({ work }: { work: SectionWork }) {
  const { at, shape, once } = work;
  const points = isDrawn(shape) ? shape.points : undefined;
  const isSide = at === 'side';
  const onKind = (kind: Edge['kind'] | Side['kind']): void => once(work.asKind(kind));
  return (
    <>
      {isSide ? (
        <UsualRow usual={SIDE_KINDS} kind={shape.kind as Side['kind']} onKind={onKind} />
      ) : (
        <UsualRow usual={EDGE_KINDS} kind={shape.kind as Edge['kind']} onKind={onKind} />
      )}
      <KeptRow
        kind={isSide ? 'side' : 'edge'}
        points={points}
        onPoints={(next) => once({ part: at, values: { kind: 'drawn', points: next } })}
      />
    </>
  );
}
