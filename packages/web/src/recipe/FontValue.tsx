import { Menu } from '@mantine/core';
import { useFileDialog } from '@mantine/hooks';
import { type Words, type WordsPiece, fontAxis } from '@fictile/core';
import type { FontFamilyInfo } from '@fictile/contract';
import { FONT_FILES, FontSample, useFonts, useFontsFor } from '../fonts/index.ts';
import { ChoiceValue, useTrial, type Choice, type TrialKey } from '../ui/index.ts';
import { texts } from '../words/index.ts';
import { number } from '../fields/index.ts';
import { useRecipe, type Of } from './recipeContext.ts';

type Font = Words['font'];

const keyOf = ({ family, weight, italic }: Pick<Font, 'family' | 'weight' | 'italic'>): string =>
  `${family}|${weight}|${italic ? 'italic' : ''}`;

/** The family and style of the piece. */
export function FontValue({ piece }: Of<WordsPiece>) {
  const { edits } = useRecipe();
  return (
    <FontChoice
      label={texts.recipe.font}
      font={piece.source.font}
      onFont={(font, key) => edits.words({ font }, key)}
      takeBack={edits.takeBack}
    />
  );
}

interface FontChoiceProps {
  label: string;
  font: Font;
  onFont: (font: Font, key: TrialKey) => void;
  takeBack: (key: TrialKey) => void;
}

/** A menu set in the fonts themselves; arrow keys try each on the solid, Escape gives the old one back. */
export function FontChoice({ label, font, onFont, takeBack }: FontChoiceProps) {
  const families = [...(useFonts().data ?? [])].sort((a, b) => kindOrder(a.kind) - kindOrder(b.kind));
  const trial = useTrial(onFont, takeBack);
  const choices = families.flatMap((family, i) =>
    family.styles.map((style, k): Choice<string> => ({
      value: keyOf({ ...style, family: family.family }),
      label: `${family.family} ${style.name}`,
      shown: <FontSample text={`${family.family} ${style.name}`} hash={style.hash} style={{ fontSize: 17 }} />,
      group: k === 0 && families[i - 1]?.kind !== family.kind ? kindName(family.kind) : undefined,
    })),
  );
  const taken = (value: string): Font => {
    const [family, weight, italic] = value.split('|');
    return { family, weight: Number(weight), italic: italic !== '', axes: {} };
  };
  const present = nearest(choices, font);
  const bring = useFontsFor((brought) => trial.onChange(brought));
  const dialog = useFileDialog({ accept: FONT_FILES, multiple: true, onChange: (list) => list && bring([...list]) });
  return (
    <ChoiceValue
      label={label}
      value={present?.value ?? keyOf(font)}
      choices={choices}
      shown={present?.label ?? font.family}
      onTry={(value) => trial.onTry(value === undefined ? undefined : taken(value))}
      onChange={(value) => trial.onChange(taken(value))}
      more={
        <>
          <Menu.Divider />
          <Menu.Item onClick={dialog.open}>{texts.typeCase.bringIn}</Menu.Item>
        </>
      }
    />
  );
}

const KINDS = Object.keys(texts.fontKinds);
const kindOrder = (kind: string): number => (KINDS.includes(kind) ? KINDS.indexOf(kind) : KINDS.length);
const kindName = (kind: string): string => (texts.fontKinds as Readonly<Record<string, string>>)[kind] ?? kind;

/** A weight between two styles, of a variable font for one, goes by the family's only style. */
function nearest(choices: readonly Choice<string>[], font: Font): Choice<string> | undefined {
  return choices.find((c) => c.value === keyOf(font)) ?? choices.find((c) => c.value.startsWith(`${font.family}|`));
}

/** The axes of a variable font, each a number in the sentence. */
export function AxisValues({ piece }: Of<WordsPiece>) {
  const { edits } = useRecipe();
  const { font } = piece.source;
  const family = useFonts().data?.find((f) => f.family === font.family);
  const axes = family?.axes ?? [];
  if (axes.length === 0) return null;
  const names: Readonly<Record<string, string>> = texts.axes;
  const values = axes.map(({ tag, min, max, usual }) => {
    const value = font.axes[tag] ?? (tag === 'wght' ? Math.min(max, Math.max(min, font.weight)) : usual);
    const label = names[tag] ?? tag;
    const step = max - min > 20 ? 10 : max - min > 2 ? 1 : 0.05;
    const take = (next: number, key: string | undefined): void =>
      edits.words({ font: { ...font, axes: { ...font.axes, [tag]: next } } }, key);
    return (
      <span key={tag}>
        {', '}
        {label} {number(`axis ${tag}`, fontAxis(min, max, { step, usual }), { label, value }, { take })}
      </span>
    );
  });
  return (
    <>
      <InstanceValue
        instances={family?.instances ?? []}
        font={font}
        onAxes={(places) => edits.words({ font: { ...font, axes: places } })}
      />
      {values}
    </>
  );
}

interface InstanceProps {
  instances: NonNullable<FontFamilyInfo['instances']>;
  font: Font;
  onAxes: (axes: Font['axes']) => void;
}

/** The named places of a variable font; between them it is nobody's. */
function InstanceValue({ instances, font, onAxes }: InstanceProps) {
  if (instances.length === 0) return null;
  const t = texts.recipe;
  const isAt = (axes: Font['axes']): boolean => Object.entries(axes).every(([tag, value]) => font.axes[tag] === value);
  const present = instances.find((instance) => isAt(instance.axes));
  return (
    <>
      {', '}
      <ChoiceValue
        label={t.instance}
        value={present?.name ?? ''}
        shown={present?.name ?? t.noInstance}
        choices={instances.map(({ name }) => ({ value: name, label: name }))}
        onChange={(name) => onAxes(instances.find((instance) => instance.name === name)?.axes ?? {})}
      />
    </>
  );
}
