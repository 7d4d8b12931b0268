import { Menu } from '@mantine/core';
import { IconCheck } from '@tabler/icons-react';
import type { CSSProperties, ReactNode } from 'react';
import classes from './values.module.css';

export interface Choice<T extends string> {
  value: T;
  label: string;
  picture?: ReactNode;
  /** of its words, where those show what is meant */
  style?: CSSProperties;
}

export interface ChoiceValueProps<T extends string> {
  label: string;
  value: T;
  choices: readonly Choice<T>[];
  usual?: T;
  /** drawn before the words */
  mark?: ReactNode;
  /** when the value is none of the choices */
  shown?: string;
  onOpen?: () => void;
  onChange: (value: T) => void;
  children?: ReactNode;
}

/** A word inside a sentence that opens a menu of others. */
export function ChoiceValue<T extends string>(props: ChoiceValueProps<T>) {
  const { label, value, choices, usual, mark, shown, onOpen, onChange, children } = props;
  const present = shown ?? choices.find((choice) => choice.value === value)?.label ?? value;
  return (
    <Menu position="bottom-start" withinPortal trapFocus returnFocus onOpen={onOpen}>
      <Menu.Target>
        <button
          type="button"
          aria-label={`${label}: ${present}`}
          className={`${classes.value} ${usual !== undefined && usual !== value ? classes.changed : ''}`}
          onKeyDown={(event) => {
            if (event.key === 'Delete' && usual !== undefined) onChange(usual);
          }}
        >
          {mark}
          {present}
        </button>
      </Menu.Target>
      <Menu.Dropdown mah={420} style={{ overflowY: 'auto' }}>
        {choices.map((choice) => (
          <Menu.Item
            key={choice.value}
            leftSection={choice.picture}
            rightSection={choice.value === value ? <IconCheck size={14} aria-hidden /> : undefined}
            style={choice.style}
            onClick={() => onChange(choice.value)}
          >
            {choice.label}
          </Menu.Item>
        ))}
        {children}
      </Menu.Dropdown>
    </Menu>
  );
}
