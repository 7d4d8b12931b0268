export { CommandSearch } from './CommandSearch.tsx';
export { keysText } from './commandList.ts';
export type { Command } from './commandList.ts';
export { alsoOf } from './alsoOf.ts';
export { ranked } from './rank.ts';
export { isTyping, useKeys } from './useKeys.ts';
export { useSingleKeys } from './useSingleKeys.ts';
export type { SingleKeys } from './useSingleKeys.ts';
export { search, searchStore } from './useSearchKeys.ts';
