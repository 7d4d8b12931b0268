import { FileButton, UnstyledButton } from '@mantine/core';
import { texts } from '../words/index.ts';
import classes from '../ui/values.module.css';
import type { ControlProps } from './fieldNodes.tsx';
import { readHeights } from './readHeights.ts';

const T = texts.shape;

/** A picture is chosen as a file; how many places it has across and up goes with its heights. */
export function PictureFile({ record: { values, put } }: ControlProps) {
  const { columns, rows } = values as { columns: number; rows: number };
  const take = async (file: File | null): Promise<void> => {
    const read = file ? await readHeights(file) : undefined;
    if (read) put({ ...read });
  };
  return (
    <FileButton accept="image/*" onChange={(file) => void take(file)}>
      {(props) => (
        <UnstyledButton {...props} className={classes.press}>
          {columns > 1 ? T.pictureSize(columns, rows) : T.chooseFile}
        </UnstyledButton>
      )}
    </FileButton>
  );
}
