import { Button, Group, Modal, Stack, Text } from '@mantine/core';
import { usualSilhouette, type ReadDrawing, type Shades, type SilhouetteOptions, SILHOUETTE } from '@fictile/core';
import { useEffect, useState } from 'react';
import { ChoiceValue, choicesOf, NumberValue, Sentence, type NumberValueProps, shownAs } from '../ui/index.ts';
import { failureText, texts } from '../words/index.ts';
import type { JobClient } from '../worker/index.ts';
import classes from './silhouette.module.css';

/** A picture that was chosen, and waits for its outline. */
export interface ChosenPicture {
  name: string;
  /** of the file, for the browser to show */
  url: string;
  shades: Shades;
}

interface SilhouetteDialogProps {
  picture: ChosenPicture | undefined;
  client: Pick<JobClient, 'ask'> | undefined;
  onTake: (drawing: ReadDrawing, name: string) => void;
  onClose: () => void;
}

const T = texts.silhouette;

/** The outline of a picture, drawn over it as it changes with what is said of it. */
export function SilhouetteDialog({ picture, client, onTake, onClose }: SilhouetteDialogProps) {
  return (
    <Modal opened={picture !== undefined} onClose={onClose} title={T.title(picture?.name ?? '')} size="xl">
      {picture && <Tracing key={picture.url} picture={picture} client={client} onTake={onTake} />}
    </Modal>
  );
}

type TracingProps = Pick<SilhouetteDialogProps, 'client' | 'onTake'> & { picture: ChosenPicture };

function Tracing({ picture, client, onTake }: TracingProps) {
  const [options, setOptions] = useState<SilhouetteOptions>(usualSilhouette);
  const { drawing, failed } = useTraced(client, picture.shades, options);
  const { width, height } = picture.shades;
  const paths = drawing?.shape.elements.map(({ path }) => path).join('') ?? '';
  const count = (letters: RegExp): number => paths.match(letters)?.length ?? 0;
  return (
    <Stack gap="md">
      <div className={classes.table}>
        <svg viewBox={`0 0 ${width} ${height}`} className={classes.sheet} role="img" aria-label={T.shown}>
          <image href={picture.url} width={width} height={height} className={classes.picture} />
          <path d={paths} className={classes.outline} fillRule="evenodd" />
        </svg>
      </div>
      <Text size="sm" component="div">
        <Said options={options} onChange={setOptions} />
      </Text>
      <Group justify="space-between">
        <Text size="sm" c="dimmed" aria-live="polite" data-testid="traced">
          {drawing ? T.found(count(/M/g), count(/[LQC]/g)) : (failed ?? `${T.tracing} …`)}
        </Text>
        <Button disabled={!drawing} onClick={() => drawing && onTake(drawing, picture.name)} data-autofocus>
          {T.take}
        </Button>
      </Group>
    </Stack>
  );
}

function Said({ options, onChange }: { options: SilhouetteOptions; onChange: (options: SilhouetteOptions) => void }) {
  const set = (values: Partial<SilhouetteOptions>): void => onChange({ ...options, ...values });
  const number = (label: string, key: Sized, rest: Partial<Pick<NumberValueProps, 'unit' | 'zero'>> = {}) => (
    <NumberValue
      {...shownAs(SILHOUETTE[key])}
      {...rest}
      label={label}
      value={options[key]}
      onChange={(next) => set({ [key]: next })}
    />
  );
  const pixels = { unit: 'px' } as const;
  return (
    <Sentence
      template={T.sentence}
      values={{
        side: (
          <ChoiceValue
            label={T.side}
            value={options.inverted ? 'lighter' : 'darker'}
            choices={choicesOf(T.sides)}
            usual="darker"
            onChange={(next) => set({ inverted: next === 'lighter' })}
          />
        ),
        share: number(T.share, 'darkerPercent'),
        smooth: number(T.smooth, 'smoothPx', { ...pixels, zero: T.unsoftened }),
        corner: number(T.corner, 'cornerDegrees'),
        speck: number(T.speck, 'speckPx', pixels),
      }}
    />
  );
}

/** What of the options is a number. */
type Sized = Exclude<keyof SilhouetteOptions, 'inverted'>;

/** The outline for what is said now; the one before it stays to be seen until then. */
function useTraced(client: SilhouetteDialogProps['client'], shades: Shades, options: SilhouetteOptions) {
  const [found, setFound] = useState<{ drawing?: ReadDrawing; failed?: string }>({});
  useEffect(() => {
    let current = true;
    void client?.ask({ kind: 'silhouette', shades, options }).then((answer) => {
      if (!current) return;
      if (answer.kind === 'drawing') setFound({ drawing: answer.drawing });
      else setFound({ failed: answer.kind === 'failed' ? failureText(answer.error) : T.failed });
    });
    return () => {
      current = false;
    };
  }, [client, shades, options]);
  return found;
}
