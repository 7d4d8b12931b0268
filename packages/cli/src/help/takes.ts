import type { FlagKind } from '../flagKinds.ts';

/** What stands behind a flag. */
export function takes(kind: FlagKind): string {
  switch (kind.kind) {
    case 'switch':
      return '';
    case 'text':
    case 'font':
      return 'TEXT';
    case 'file':
      return 'FILE';
    case 'choice':
      return kind.of.join('|');
    case 'shape':
      return `${kind.of.join('|')}|FILE.json`;
    case 'length':
      return 'LENGTH';
    case 'number':
      return 'N';
    case 'pair':
      return 'X,Y';
    case 'point':
    case 'angles':
      return 'X,Y,Z';
    case 'size':
      return 'LENGTH|auto';
    case 'amount':
      return 'N%|N|LENGTH';
  }
}
