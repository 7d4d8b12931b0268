import { Checkbox, Group, NativeSelect, Stack, Text, Textarea } from '@mantine/core';
import { splitGraphemes, spliceBetween, type Edit, type Piece, type Remark } from '@fictile/core';
import { useQuery } from '@tanstack/react-query';
import { api } from '../api/index.ts';
import type { ProjectStore } from '../store/index.ts';
import { ValueField } from '../ui/index.ts';
import { remarkText, texts } from '../words/index.ts';
import classes from './Workbench.module.css';

interface PieceFormProps {
  piece: Piece;
  store: ProjectStore;
  remarks: readonly Remark[];
}

/** Words and solid of a piece as plain fields. */
export function PieceForm({ piece, store, remarks }: PieceFormProps) {
  return (
    <Stack gap="sm">
      <WordsFields piece={piece} store={store} />
      <SolidFields piece={piece} store={store} />
      {remarks.map((remark) => (
        <Text key={remark.code} size="sm" className={classes.remark} role="status">
          {remarkText(remark)}
        </Text>
      ))}
    </Stack>
  );
}

type Values<K extends Edit['kind']> = Extract<Edit, { kind: K }> extends { values: infer V } ? V : never;

function WordsFields({ piece, store }: Omit<PieceFormProps, 'remarks'>) {
  const fonts = useQuery({ queryKey: ['fonts'], queryFn: api.listFonts, staleTime: Infinity });
  const words = piece.source;
  const set = (values: Values<'setWords'>, key?: string): void =>
    store.edit({ kind: 'setWords', pieceId: piece.id, values }, key && `${piece.id} ${key}`);
  const retype = (text: string): void => {
    const splice = spliceBetween(
      words.graphemes.map((g) => g.text),
      splitGraphemes(text),
    );
    store.edit({ kind: 'spliceWords', pieceId: piece.id, ...splice }, `${piece.id} words`);
  };
  const styles = (fonts.data ?? []).flatMap((f) =>
    f.styles.map((s) => ({ value: `${f.family}|${s.weight}`, label: `${f.family} ${s.name}` })),
  );
  const chosen = `${words.font.family}|${words.font.weight}`;
  const known = styles.some((s) => s.value === chosen)
    ? styles
    : [...styles, { value: chosen, label: words.font.family }];
  return (
    <>
      <Textarea
        label={texts.workshop.words}
        classNames={{ input: classes.words }}
        autosize
        minRows={1}
        maxRows={6}
        value={words.graphemes.map((g) => g.text).join('')}
        onChange={(event) => retype(event.currentTarget.value)}
      />
      <NativeSelect
        label={texts.workshop.font}
        data={known}
        value={chosen}
        onChange={(event) => {
          const [family, weight] = event.currentTarget.value.split('|');
          set({ font: { family, weight: Number(weight), italic: false, axes: {} } });
        }}
      />
      <Group grow align="start">
        <ValueField
          label={texts.workshop.size}
          value={words.sizeMm}
          unit="mm"
          min={0.1}
          max={10_000}
          onChange={(sizeMm) => set({ sizeMm }, 'size')}
        />
        <ValueField
          label={texts.workshop.tracking}
          value={words.tracking}
          unit="‰"
          min={-500}
          max={5000}
          step={5}
          onChange={(tracking) => set({ tracking }, 'tracking')}
        />
      </Group>
      <NativeSelect
        label={texts.workshop.align}
        data={Object.entries(texts.aligns).map(([value, label]) => ({ value, label }))}
        value={words.align}
        onChange={(event) => set({ align: event.currentTarget.value as typeof words.align })}
      />
    </>
  );
}

function SolidFields({ piece, store }: Omit<PieceFormProps, 'remarks'>) {
  const { solid } = piece.body;
  const set = (values: Values<'setSolid'>, key?: string): void =>
    store.edit({ kind: 'setSolid', pieceId: piece.id, values }, key && `${piece.id} ${key}`);
  const setFront = (values: Partial<typeof solid.front>, key?: string): void =>
    set({ front: { ...solid.front, ...values } }, key);
  const hasEdge = solid.front.kind !== 'plain';
  return (
    <>
      <ValueField
        label={texts.workshop.depth}
        value={solid.depthMm}
        unit="mm"
        min={0}
        max={10_000}
        onChange={(depthMm) => set({ depthMm }, 'depth')}
      />
      <NativeSelect
        label={texts.workshop.edge}
        data={Object.entries(texts.kinds).map(([value, label]) => ({ value, label }))}
        value={solid.front.kind}
        onChange={(event) => setFront({ kind: event.currentTarget.value as typeof solid.front.kind })}
      />
      {hasEdge && (
        <Group grow align="start">
          <ValueField
            label={texts.workshop.edgeIn}
            value={solid.front.inMm}
            unit="mm"
            min={0}
            max={1000}
            step={0.5}
            onChange={(inMm) => setFront({ inMm }, 'in')}
          />
          <ValueField
            label={texts.workshop.edgeDeep}
            value={solid.front.deepMm}
            unit="mm"
            min={0}
            max={1000}
            step={0.5}
            onChange={(deepMm) => setFront({ deepMm }, 'deep')}
          />
          {solid.front.kind === 'round' && (
            <ValueField
              label={texts.workshop.edgeSteps}
              value={solid.front.steps}
              unit=""
              min={1}
              max={64}
              whole
              onChange={(steps) => setFront({ steps }, 'steps')}
            />
          )}
        </Group>
      )}
      <Checkbox
        label={texts.workshop.backAsFront}
        checked={solid.backAsFront}
        onChange={(event) => set({ backAsFront: event.currentTarget.checked })}
      />
    </>
  );
}
