import {
  coloursOf,
  type DrawingPiece,
  type DrawingShape,
  drawingSize,
  PATHS,
  DRAWN_SHAPES,
  type Fields,
} from '@fictile/core';
import { UnstyledButton } from '@mantine/core';
import { choicesOf, ChoiceValue, Sentence, Swatch } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { Chapter } from './Chapter.tsx';
import { ContourSentence } from './ContourSentence.tsx';
import { OwnSentence } from './OwnSentence.tsx';
import { KnotSentence, PICTURES, number } from '../fields/index.ts';
import classes from './Recipe.module.css';
import { useRecipe, type Of } from './recipeContext.ts';
import { Told } from './Told.tsx';

/** What stands in the place of words: a drawing that was brought in, or a shape drawn here. */
export function DrawingChapter({ piece }: Of<DrawingPiece>) {
  const { edits } = useRecipe();
  const t = texts.recipe;
  const depthAnchor = (
    <ChoiceValue
      label={t.depthAnchor}
      value={piece.source.depthAnchor}
      choices={choicesOf(texts.depthAnchors, PICTURES.depthAnchors)}
      usual="back"
      onChange={edits.depthAnchor}
    />
  );
  return (
    <Chapter
      name="words"
      title={texts.drawing.chapter}
      remarks={<Told chapter="words" />}
      more={<Sentence template={t.moreDrawing} values={{ depthAnchor }} />}
    >
      <ShapeSentence piece={piece} /> <ContourSentence piece={piece} />
      <Colours piece={piece} />
      <OwnSentence piece={piece} />
    </Chapter>
  );
}

type ShapeOf<K extends DrawingShape['kind']> = Extract<DrawingShape, { kind: K }>;

function ShapeSentence({ piece }: Of<DrawingPiece>) {
  const { edits } = useRecipe();
  const { shape } = piece.source;
  const put = (values: Partial<DrawingShape>, key?: string): void =>
    edits.drawing({ shape: { ...shape, ...values } as DrawingShape }, key);
  if (shape.kind === 'paths') return <PathsSentence shape={shape} put={put} />;
  if (shape.kind === 'free') {
    const knots = <KnotSentence curve={shape.curve} onCurve={(curve, key) => put({ curve }, key)} />;
    return <Sentence template={texts.drawing.free} values={{ knots }} />;
  }
  return <Sentence template={texts.drawing[shape.kind]} values={shapeValues(shape, put)} />;
}

type PutShape = (values: Partial<DrawingShape>, key?: string) => void;

function PathsSentence({ shape, put }: { shape: ShapeOf<'paths'>; put: PutShape }) {
  const t = texts.drawing;
  const { widthMm, heightMm } = drawingSize(shape);
  const values = {
    colours: texts.drawing.colours(shape.colours.length),
    size: number(
      'drawing size',
      PATHS.sizeMm,
      { label: t.size, value: shape.sizeMm },
      { take: (sizeMm, key) => put({ sizeMm }, key) },
    ),
    by: (
      <ChoiceValue
        label={t.sizeOf}
        value={shape.by}
        choices={choicesOf(t.by, PICTURES.drawingBy)}
        onChange={(by) =>
          by !== shape.by &&
          put({
            by,
            sizeMm: Math.min(100_000, Math.max(0.01, Number((by === 'width' ? widthMm : heightMm).toPrecision(9)))),
          })
        }
      />
    ),
  };
  return <Sentence template={t.paths} values={values} />;
}

function shapeValues(shape: Exclude<DrawingShape, { kind: 'paths' | 'free' }>, put: PutShape) {
  const t = texts.drawing;
  type Lengths = Partial<Record<'widthMm' | 'heightMm' | 'radiusMm' | 'cornerMm', number>>;
  const own: Lengths = shape;
  const fields: Fields = DRAWN_SHAPES[shape.kind];
  const mm = (field: keyof Lengths, label: string) =>
    field in fields &&
    number(
      field,
      fields[field],
      { label, value: own[field] ?? 0 },
      { take: (next, key) => put({ [field]: next }, key) },
    );
  const count = (field: 'sides' | 'points', value: number, unit: string) =>
    number(
      field,
      fields[field],
      { label: t[field], value, unit },
      { take: (next, key) => put({ [field]: next }, key) },
    );
  return {
    width: mm('widthMm', t.width),
    height: mm('heightMm', t.height),
    corner: mm('cornerMm', t.corner),
    radius: mm('radiusMm', t.radius),
    sides: shape.kind === 'polygon' ? count('sides', shape.sides, t.sides) : null,
    points: shape.kind === 'star' ? count('points', shape.points, t.points) : null,
    inner:
      shape.kind === 'star'
        ? number(
            'inner',
            DRAWN_SHAPES.star.innerPercent,
            { label: t.inner, value: shape.innerPercent },
            { take: (innerPercent, key) => put({ innerPercent }, key) },
          )
        : null,
  };
}

/** The colours of a drawing, each to be picked. */
function Colours({ piece }: Of<DrawingPiece>) {
  const { picked, onPick } = useRecipe();
  const colours = coloursOf(piece.source.shape);
  // one that is no colour has nothing to be picked for: it looks as the finish says
  if (piece.source.shape.kind !== 'paths' || colours.every(({ name }) => !name.startsWith('#'))) return null;
  return (
    <div className={classes.colours} role="group" aria-label={texts.drawing.pick}>
      {colours.map(({ id, name }) => {
        const isPicked = picked.includes(id);
        return (
          <UnstyledButton
            key={id}
            className={classes.colour}
            aria-pressed={isPicked}
            onClick={() => onPick(isPicked ? picked.filter((other) => other !== id) : [...picked, id])}
          >
            <Swatch colour={name} />
            {name}
          </UnstyledButton>
        );
      })}
    </div>
  );
}
