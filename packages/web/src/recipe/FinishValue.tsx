import { Chip, ColorPicker, Group, Popover, Stack, Text, UnstyledButton } from '@mantine/core';
import { SHELF_FINISHES, SLOTS, type Finish, type Slot } from '@fictile/core';
import { useState } from 'react';
import { NumberValue, Sentence, Swatch } from '../ui/index.ts';
import valueClasses from '../ui/values.module.css';
import { texts } from '../words/index.ts';
import type { PieceEdits } from './pieceEdits.ts';
import classes from './Recipe.module.css';

interface FinishValueProps {
  slot: Slot;
  finish: Finish;
  edits: PieceEdits;
}

/** The finish of a part as a word; it opens the shelf of clays and glazes, a colour of one's own, and the surface's figures. */
export function FinishValue({ slot, finish, edits }: FinishValueProps) {
  const [slots, setSlots] = useState<Slot[]>([slot]);
  const shown = finish.name === '' ? finish.colour : finish.name;
  return (
    <Popover
      width={300}
      position="right-start"
      withinPortal
      trapFocus
      returnFocus
      shadow="md"
      onClose={() => setSlots([slot])}
    >
      <Popover.Target>
        <button type="button" className={valueClasses.value} aria-label={`${texts.slots[slot]}: ${shown}`}>
          <Swatch colour={finish.colour} />
          {shown}
        </button>
      </Popover.Target>
      <Popover.Dropdown>
        <Stack gap="sm">
          <Chip.Group multiple value={slots} onChange={(next) => setSlots(next as Slot[])}>
            <Group gap={4} role="group" aria-label={texts.recipe.putOn}>
              {SLOTS.map((s) => (
                <Chip key={s} value={s} size="xs">
                  {texts.slots[s]}
                </Chip>
              ))}
            </Group>
          </Chip.Group>
          <Shelf chosen={finish.name} onTake={(one) => edits.finish(slots, one)} />
          <ColorPicker
            format="hex"
            fullWidth
            size="xs"
            value={finish.colour}
            onChange={(colour) => edits.finish(slots, { colour: colour.toLowerCase(), name: '' }, `${slot} colour`)}
            saturationLabel={texts.recipe.saturation}
            hueLabel={texts.recipe.hue}
          />
          <Text size="sm" component="div">
            <Sentence
              template={texts.recipe.surface}
              values={Object.fromEntries(
                (['gloss', 'metal', 'glow'] as const).map((field) => [
                  field,
                  <NumberValue
                    key={field}
                    label={texts.recipe[field]}
                    value={finish[field]}
                    kind="plain"
                    unit="%"
                    min={0}
                    max={100}
                    step={1}
                    onChange={(v, isDrag) =>
                      edits.finish(slots, { [field]: v }, isDrag ? `${slot} ${field}` : undefined)
                    }
                  />,
                ]),
              )}
            />
          </Text>
        </Stack>
      </Popover.Dropdown>
    </Popover>
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
