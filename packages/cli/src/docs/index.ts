import { makeFlagTable, stepFlagTable, stepTable } from './tables.ts';

/** Parts of docs/ that follow from the code: by file and mark. */
const PARTS: Readonly<Record<string, Readonly<Record<string, () => string>>>> = {
  'command-line.md': { 'flags of make': makeFlagTable, 'flags of steps': stepFlagTable },
  'file-format.md': { 'values of steps': stepTable },
};

export const DOCS = Object.keys(PARTS);

/** The text of a page with its parts written anew between their marks. Throws where a mark is missing. */
export function withParts(file: string, text: string): string {
  return Object.entries(PARTS[file]).reduce((page, [mark, make]) => {
    const [begin, end] = [`<!-- ${mark} -->`, `<!-- end of ${mark} -->`];
    const [from, to] = [page.indexOf(begin), page.indexOf(end)];
    if (from < 0 || to < from) throw new Error(`${file} has no place for ${mark}`);
    return `${page.slice(0, from + begin.length)}\n\n${make()}\n\n${page.slice(to)}`;
  }, text);
}
