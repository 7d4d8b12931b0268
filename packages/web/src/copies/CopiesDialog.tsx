import { Button, Group, Modal, Stack, Text } from '@mantine/core';
import { ARRANGEMENT, LIMITS, middleOfBox, sizeOfBox, usualOf, type Box3, type Transform } from '@fictile/core';
import { useState, type ReactNode } from 'react';
import { ChoiceValue, choicesOf, NumberValue, Sentence, shownAs } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { countOf, motionsOf, type Arrangement } from './arrangements.ts';
import classes from './Copies.module.css';

const T = texts.copies.dialog;
const L = T.labels;

/** What is to be copied. */
export interface ToCopy {
  name: string;
  /** pieces in all of it */
  pieces: number;
  /** around it as it stands */
  box: Box3 | undefined;
}

interface CopiesDialogProps {
  of: ToCopy | undefined;
  /** pieces that the project has */
  present: number;
  onMake: (motions: Transform[]) => void;
  onClose: () => void;
}

/** How many linked copies there are to be, and how they stand. */
export function CopiesDialog({ of, present, onMake, onClose }: CopiesDialogProps) {
  return (
    <Modal opened={of !== undefined} onClose={onClose} title={of && T.title(of.name)} size="lg">
      {of && <Arranging of={of} present={present} onMake={onMake} />}
    </Modal>
  );
}

function Arranging({ of, present, onMake }: { of: ToCopy } & Pick<CopiesDialogProps, 'present' | 'onMake'>) {
  const [arrangement, setArrangement] = useState(() => usualFor(of.box));
  const count = countOf(arrangement);
  const isTooMany = present + count * of.pieces > LIMITS.pieces;
  const middle = of.box ? middleOfBox(of.box) : ([0, 0, 0] as const);
  return (
    <Stack gap="lg">
      <div className={classes.said}>
        <Said arrangement={arrangement} change={(values) => setArrangement({ ...arrangement, ...values })} />
      </div>
      <Group justify="space-between">
        <Text size="sm" c={isTooMany ? 'red' : 'dimmed'} aria-live="polite">
          {isTooMany && T.tooMany(LIMITS.pieces)}
        </Text>
        <Button
          disabled={isTooMany || count < 1}
          onClick={() => onMake(motionsOf(arrangement, [...middle]))}
          data-autofocus
        >
          {T.all(count)}
        </Button>
      </Group>
    </Stack>
  );
}

/** Room between copies, as a share of the smaller side. */
const ROOM = 0.25;

function usualFor(box: Box3 | undefined): Arrangement {
  const usual = usualOf(ARRANGEMENT);
  if (!box) return usual;
  const [width, height] = sizeOfBox(box);
  const room = ROOM * Math.min(width, height);
  const { max } = shownAs(ARRANGEMENT.apartMm);
  const within = (mm: number): number => Math.min(max, Math.max(1, Math.ceil(mm)));
  return { ...usual, apartMm: within(width + room), apartDownMm: within(height + room), radiusMm: within(2 * width) };
}

interface SaidProps {
  arrangement: Arrangement;
  change: (values: Partial<Arrangement>) => void;
}

function Said({ arrangement, change }: SaidProps) {
  const { kind } = arrangement;
  const values = valuesOf({ arrangement, change });
  const template = kind === 'row' ? T.make : T[kind];
  return <Sentence key={kind} template={template} values={values} />;
}

type Choices = 'kind' | 'toward' | 'plane' | 'turned';
type Measure = Exclude<keyof Arrangement, Choices>;

function valuesOf({ arrangement, change }: SaidProps): Record<string, ReactNode> {
  const choice = <K extends Choices>(name: K, labels: Readonly<Record<Arrangement[K], string>>): ReactNode => (
    <ChoiceValue<Arrangement[K]>
      label={L[name]}
      value={arrangement[name]}
      choices={choicesOf(labels)}
      onChange={(value) => change({ [name]: value })}
    />
  );
  const number = (name: Measure, label: string): ReactNode => (
    <NumberValue
      {...shownAs(ARRANGEMENT[name])}
      label={label}
      value={arrangement[name]}
      onChange={(value) => change({ [name]: value })}
    />
  );
  return {
    kind: choice('kind', T.kinds),
    toward: choice('toward', T.towards),
    plane: choice('plane', T.planes),
    turned: choice('turned', T.turns),
    count: number('count', L.count),
    across: number('across', L.across),
    down: number('down', L.down),
    apart: number('apartMm', L.apart),
    apartDown: number('apartDownMm', L.apartDown),
    radius: number('radiusMm', L.radius),
  };
}
