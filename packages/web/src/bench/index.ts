export { Bench } from './Bench.tsx';
export { useActs, useChoice, useDocument, useMeshes, useOpenParts, useTrials } from './contexts.ts';
export { canFit } from './fitFlat.ts';
export type { Evaluation } from './useEvaluation.ts';
export { useEvaluation } from './useEvaluation.ts';
export { isModelFile } from './useModels.tsx';
export type { Open } from './useOpen.ts';
export { useOthers } from './useOthers.ts';
export type { TypingState } from './useTyping.ts';
