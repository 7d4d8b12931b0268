export { ChoiceValue } from './ChoiceValue.tsx';
export type { Choice } from './ChoiceValue.tsx';
export { Loading } from './Loading.tsx';
export { NumberValue } from './NumberValue.tsx';
export type { NumberValueProps } from './NumberValue.tsx';
export { Sentence } from './Sentence.tsx';
export { Swatch } from './Swatch.tsx';
export { saveFile } from './saveFile.ts';
