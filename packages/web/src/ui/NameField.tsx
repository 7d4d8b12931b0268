import { TextInput } from '@mantine/core';
import { useState } from 'react';

interface NameFieldProps {
  label: string;
  name: string;
  /** with undefined the name stays as it was */
  onDone: (name: string | undefined) => void;
}

/** A name being changed in its place. Enter or leaving keeps it, Escape does not, and an empty one is none. */
export function NameField({ label, name, onDone }: NameFieldProps) {
  const [text, setText] = useState(name);
  const keep = (): void => onDone(text.trim() === '' || text === name ? undefined : text);
  return (
    <TextInput
      aria-label={label}
      size="xs"
      flex={1}
      autoFocus
      maxLength={200}
      value={text}
      onChange={(event) => setText(event.currentTarget.value)}
      onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === 'Enter') keep();
        if (event.key === 'Escape') onDone(undefined);
      }}
    />
  );
}
