import { newPiece, type Field } from '@fictile/core';
import { NumberValue, shownAs, type NumberValueProps } from '../ui/index.ts';

export const USUAL = newPiece('usual', '', []);

type Take = (value: number, key: string | undefined) => void;

/** What its control has to say of itself besides what its field does. */
type Said = Pick<NumberValueProps, 'label' | 'value'> & Partial<Pick<NumberValueProps, 'unit' | 'usual' | 'zero'>>;

/** A number of a field whose drags and arrow keys join under a name. */
export function number(name: string, field: Field, said: Said, { take }: { take: Take }) {
  return (
    <NumberValue {...shownAs(field)} {...said} onChange={(value, isDrag) => take(value, isDrag ? name : undefined)} />
  );
}
