import type { RemarkCode } from '@fictile/core';
import { helpOf, texts } from '../words/index.ts';
import classes from './Help.module.css';
import { addressOf } from './pages.ts';

/** Leads to the page that says why; beside the work, which stays as it is. */
export const Why = ({ code }: { code: RemarkCode }) => (
  <a
    className={classes.why}
    href={addressOf(code)}
    target="_blank"
    rel="noreferrer"
    aria-label={texts.help.whyOf(helpOf(code).name)}
  >
    {texts.help.why}
  </a>
);
