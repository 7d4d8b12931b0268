import { ActionIcon, Button, TextInput, UnstyledButton } from '@mantine/core';
import { edgeRows, sideRows, type Edge, type Side } from '@fictile/core';
import type { KeptShape, ShapeKind } from '@fictile/contract';
import { IconX } from '@tabler/icons-react';
import { useState, type FormEvent, type ReactNode } from 'react';
import { texts } from '../words/index.ts';
import classes from './Section.module.css';
import { useShapes } from './useShapes.ts';

type ShapePoints = Edge['points'];

interface Usual<K extends string> {
  kind: K;
  label: string;
  picture: ReactNode;
}

interface ShapeRowProps<K extends string> {
  usual: readonly Usual<K>[];
  /** the kind that stands */
  kind: K;
  onKind: (kind: K) => void;
}

/** The usual kinds as pictures. */
export function UsualRow<K extends string>({ usual, kind, onKind }: ShapeRowProps<K>) {
  return (
    <div className={classes.shapes} role="group" aria-label={texts.section.kinds}>
      {usual.map((one) => (
        <UnstyledButton
          key={one.kind}
          className={classes.shape}
          aria-label={one.label}
          title={one.label}
          aria-pressed={one.kind === kind}
          onClick={() => onKind(one.kind)}
        >
          {one.picture}
        </UnstyledButton>
      ))}
    </div>
  );
}

interface KeptRowProps {
  kind: ShapeKind;
  /** what is drawn now; undefined where nothing is */
  points: ShapePoints | undefined;
  onPoints: (points: ShapePoints) => void;
}

/** Shapes that were kept by name, and a field to keep the present one. */
export function KeptRow({ kind, points, onPoints }: KeptRowProps) {
  const { kept, isUnreached, keep, drop } = useShapes(kind);
  if (isUnreached) return <p className={classes.hint}>{texts.section.unreached}</p>;
  return (
    <>
      {kept.length > 0 && (
        <div className={classes.shapes} role="group" aria-label={texts.section.kept}>
          {kept.map((shape) => (
            <span key={shape.name} className={classes.keptShape}>
              <UnstyledButton className={classes.shape} onClick={() => onPoints(shape.points)}>
                <ShapePicture kind={kind} points={shape.points} />
                <span className={classes.shapeName}>{shape.name}</span>
              </UnstyledButton>
              <ActionIcon
                variant="subtle"
                color="dark"
                size={18}
                aria-label={texts.section.dropShape(shape.name)}
                onClick={() => drop(shape)}
              >
                <IconX size={12} />
              </ActionIcon>
            </span>
          ))}
        </div>
      )}
      {points && <KeepForm onKeep={(name) => keep({ kind, name, points } satisfies KeptShape)} />}
    </>
  );
}

/** A name that is kept already is taken over. */
function KeepForm({ onKeep }: { onKeep: (name: string) => void }) {
  const [text, setText] = useState('');
  const name = text.trim();
  const t = texts.section;
  const keep = (event: FormEvent): void => {
    event.preventDefault();
    if (name === '') return;
    onKeep(name);
    setText('');
  };
  return (
    <form onSubmit={keep} className={classes.keep}>
      <TextInput
        size="xs"
        flex={1}
        aria-label={t.keep}
        placeholder={t.keep}
        maxLength={60}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
      />
      <Button size="xs" type="submit" disabled={name === ''}>
        {t.keepIt}
      </Button>
    </form>
  );
}

/** Pieces of every curve of a small picture. */
const STEPS = 6;

/** As small as the pictures of the usual kinds: faces in ink, what was drawn in cobalt. */
function ShapePicture({ kind, points }: { kind: ShapeKind; points: ShapePoints }) {
  const line = kind === 'edge' ? edgeLine(points) : sideLine(points);
  const rest = kind === 'edge' ? 'M3 4H9M15 10V16' : 'M6 3H16M6 15H16';
  return (
    <svg width="20" height="18" viewBox="0 0 20 18" fill="none" strokeWidth="1.5" strokeLinecap="round" aria-hidden>
      <path d={rest} stroke="currentColor" />
      <path d={`M${line.map((p) => p.join(' ')).join('L')}`} stroke="var(--cobalt)" strokeWidth="1.8" />
    </svg>
  );
}

const edgeLine = (points: ShapePoints): [number, number][] =>
  edgeRows({ kind: 'drawn', inMm: 6, deepMm: 6, steps: STEPS, points }).map(({ inMm, downMm }) => [
    15 - inMm,
    4 + downMm,
  ]);

const sideLine = (points: Side['points']): [number, number][] =>
  sideRows({ kind: 'drawn', amountMm: 4, steps: STEPS, divisions: 1, points }, 12).map(([inward, along]) => [
    6 + 4 * inward,
    3 + 12 * along,
  ]);
