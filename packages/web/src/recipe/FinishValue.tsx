import { Chip, ColorInput, ColorPicker, Group, Popover, Stack, Text, UnstyledButton } from '@mantine/core';
import { FINISH, SHELF_FINISHES, SLOTS, type Finish, type Slot } from '@fictile/core';
import { useRef, useState, type ReactNode } from 'react';
import { shownAs, NumberValue, Sentence, Swatch, useOffers, valueOffer, type Offer } from '../ui/index.ts';
import valueClasses from '../ui/values.module.css';
import { texts } from '../words/index.ts';
import type { PieceEdits } from './pieceEdits.ts';
import classes from './Recipe.module.css';

interface FinishValueProps {
  /** how the part is called */
  label: string;
  slot: Slot;
  finish: Finish;
  edits: PieceEdits;
}

/** The finish of a part as a word; it opens the shelf, and says which parts it goes on. */
export function FinishValue({ label, slot, finish, edits }: FinishValueProps) {
  const [slots, setSlots] = useState<Slot[]>([slot]);
  return (
    <FinishPopover
      label={label}
      finish={finish}
      onClose={() => setSlots([slot])}
      onFinish={(values, key) => edits.finish(slots, values, key && `${slot} ${key}`)}
    >
      <Chip.Group multiple value={slots} onChange={(next) => setSlots(next as Slot[])}>
        <Group gap={4} role="group" aria-label={texts.recipe.putOn}>
          {SLOTS.map((s) => (
            <Chip key={s} value={s} size="xs">
              {texts.slots[s]}
            </Chip>
          ))}
        </Group>
      </Chip.Group>
    </FinishPopover>
  );
}

interface FinishChoiceProps {
  label: string;
  finish: Finish | null;
  /** said where there is no finish */
  none: string;
  onFinish: TakeFinish;
  onNone: () => void;
}

/** A finish that may be none at all. */
export function FinishChoice({ label, finish, none, onFinish, onNone }: FinishChoiceProps) {
  return (
    <FinishPopover label={label} finish={finish} none={none} onFinish={onFinish}>
      {finish && (
        <UnstyledButton className={classes.unlock} onClick={onNone}>
          {none}
        </UnstyledButton>
      )}
    </FinishPopover>
  );
}

type TakeFinish = (values: Partial<Finish>, key?: string) => void;

interface FinishPopoverProps {
  label: string;
  finish: Finish | null;
  none?: string;
  onFinish: TakeFinish;
  onClose?: () => void;
  children: ReactNode;
}

/** A colour of one's own: picked, or typed. */
function OwnColour({ colour, onFinish }: { colour: string; onFinish: TakeFinish }) {
  const take = (next: string): void => {
    // while it is typed it is no colour yet
    if (/^#[0-9a-f]{6}$/i.test(next)) onFinish({ colour: next.toLowerCase(), name: '' }, 'colour');
  };
  return (
    <>
      <ColorPicker
        format="hex"
        fullWidth
        size="xs"
        value={colour}
        onChange={take}
        saturationLabel={texts.recipe.saturation}
        hueLabel={texts.recipe.hue}
      />
      <ColorInput
        size="xs"
        format="hex"
        withPicker={false}
        withEyeDropper={false}
        label={texts.recipe.colour}
        value={colour}
        onChange={take}
      />
    </>
  );
}

/** A word that opens the shelf of clays and glazes, a colour of one's own, and the surface's figures. */
function FinishPopover({ label, finish, none = '', onFinish, onClose, children }: FinishPopoverProps) {
  const shown = finish === null ? none : finish.name === '' ? finish.colour : finish.name;
  const target = useRef<HTMLButtonElement>(null);
  useOffers(() => finishOffers(valueOffer(target.current, texts.recipe.finishOf(label)), { finish, onFinish }));
  return (
    <Popover width={300} position="right-start" withinPortal trapFocus returnFocus shadow="md" onClose={onClose}>
      <Popover.Target>
        <button ref={target} type="button" className={valueClasses.value} aria-label={`${label}: ${shown}`}>
          {finish && <Swatch colour={finish.colour} />}
          {shown}
        </button>
      </Popover.Target>
      <Popover.Dropdown>
        <Stack gap="sm">
          {children}
          <Shelf chosen={finish?.name ?? ''} onTake={onFinish} />
          <OwnColour colour={finish?.colour ?? SHELF_FINISHES[0].colour} onFinish={onFinish} />
          {finish && <Surface finish={finish} onFinish={onFinish} />}
        </Stack>
      </Popover.Dropdown>
    </Popover>
  );
}

/** The value itself, and each clay and glaze of the shelf. */
function finishOffers(own: Offer, { finish, onFinish }: Pick<FinishPopoverProps, 'finish' | 'onFinish'>): Offer[] {
  const others = SHELF_FINISHES.filter((one) => one.name !== finish?.name);
  return [
    own,
    ...others.map((one) => ({
      id: `${own.id} ${one.name}`,
      label: `${own.name}: ${one.name}`,
      detail: own.detail,
      run: () => onFinish(one),
    })),
  ];
}

function Surface({ finish, onFinish }: { finish: Finish; onFinish: TakeFinish }) {
  const fields = (['gloss', 'metal', 'glow'] as const).map((field) => [
    field,
    <NumberValue
      key={field}
      label={texts.recipe[field]}
      value={finish[field]}
      {...shownAs(FINISH[field])}
      step={1}
      usual={undefined}
      onChange={(v, isDrag) => onFinish({ [field]: v }, isDrag ? field : undefined)}
    />,
  ]);
  return (
    <Text size="sm" component="div">
      <Sentence template={texts.recipe.surface} values={Object.fromEntries(fields)} />
    </Text>
  );
}

function Shelf({ chosen, onTake }: { chosen: string; onTake: (finish: Finish) => void }) {
  return (
    <div className={classes.shelf}>
      {SHELF_FINISHES.map((one) => (
        <UnstyledButton
          key={one.name}
          className={classes.shelfItem}
          aria-pressed={one.name === chosen}
          onClick={() => onTake(one)}
        >
          <Swatch colour={one.colour} />
          {one.name}
        </UnstyledButton>
      ))}
    </div>
  );
}
