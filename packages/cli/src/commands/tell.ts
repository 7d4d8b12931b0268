import type { CaseResult } from '../makeCase.ts';
import { remarkText } from '../messages.ts';
import { remarkOn, say } from '../console.ts';

/** What was written, as a sentence or as one line of JSON. */
export function tell(result: CaseResult, { json = false, quiet = false }: { json?: boolean; quiet?: boolean }): void {
  const { file, faces, quads, vertices, seconds, remarks } = result;
  if (json) say(JSON.stringify(result));
  else if (!quiet) say(`${file}: ${faces} faces, ${quads} of them quads, ${vertices} points, ${seconds} s`);
  if (!quiet) remarks.forEach((remark) => remarkOn(remarkText(remark)));
}
