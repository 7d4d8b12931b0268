import { Menu } from '@mantine/core';
import { IconCheck } from '@tabler/icons-react';
import { Fragment, useRef, type ReactNode } from 'react';
import { useOffers, valueOffer, type Offer } from './offers.tsx';
import { useFinding } from './useFinding.ts';
import { useTriedMenu } from './useTriedMenu.ts';
import classes from './values.module.css';

export interface Choice<T extends string> {
  value: T;
  label: string;
  picture?: ReactNode;
  /** drawn instead of the label */
  shown?: ReactNode;
  /** the first of a group stands under this heading */
  group?: string;
}

export interface ChoiceValueProps<T extends string> {
  label: string;
  value: T;
  choices: readonly Choice<T>[];
  usual?: T;
  /** when the value is none of the choices */
  shown?: string;
  /** tried at once as arrow keys or the pointer reach it; `undefined` takes the trial back */
  onTry?: (value: T | undefined) => void;
  onChange: (value: T) => void;
  /** at the menu's end */
  more?: ReactNode;
}

/** A word inside a sentence that opens a menu of others. */
export function ChoiceValue<T extends string>(props: ChoiceValueProps<T>) {
  const { label, value, choices, usual, shown, onTry, onChange, more } = props;
  const present = shown ?? choices.find((choice) => choice.value === value)?.label ?? value;
  const tried = useTriedMenu<T>(onTry, onChange, value);
  const finding = useFinding(choices);
  const target = useRef<HTMLButtonElement>(null);
  useOffers(() => [valueOffer(target.current, label), ...choiceOffers(props, target.current)]);
  return (
    <Menu
      {...tried.menu}
      onClose={() => {
        tried.menu.onClose();
        finding.clear();
      }}
    >
      <Menu.Target>
        <button
          ref={target}
          type="button"
          aria-label={`${label}: ${present}`}
          className={`${classes.value} ${usual !== undefined && usual !== value ? classes.changed : ''}`}
          onKeyDown={(event) => {
            tried.target.onKeyDown(event);
            if (event.key === 'Delete' && usual !== undefined) onChange(usual);
          }}
        >
          {present}
        </button>
      </Menu.Target>
      <Menu.Dropdown {...tried.dropdown} onKeyDown={finding.onKeyDown} ref={finding.list}>
        {finding.told && <Menu.Label aria-live="polite">{finding.told}</Menu.Label>}
        {finding.found.map((choice) => (
          <Fragment key={choice.value}>
            {choice.group && !finding.query && <Menu.Label>{choice.group}</Menu.Label>}
            <Menu.Item
              data-present={choice.value === value || undefined}
              leftSection={choice.picture}
              rightSection={choice.value === value ? <IconCheck size={14} aria-hidden /> : undefined}
              {...tried.item(choice.value)}
            >
              {choice.shown ?? choice.label}
            </Menu.Item>
          </Fragment>
        ))}
        {more}
      </Menu.Dropdown>
    </Menu>
  );
}

/** Each other choice by its own words: "Font: Pacifico Regular". */
function choiceOffers<T extends string>(
  { label, value, choices, onTry, onChange }: ChoiceValueProps<T>,
  element: HTMLElement | null,
): Offer[] {
  const { id, detail } = valueOffer(element, label);
  return choices
    .filter((choice) => choice.value !== value)
    .map((choice) => ({
      id: `${id} ${choice.value}`,
      label: `${label}: ${choice.label}`,
      detail,
      run: () => onChange(choice.value),
      onTry: onTry && (() => onTry(choice.value)),
      onLeave: onTry && (() => onTry(undefined)),
    }));
}
