export { cureText, helpOf } from '@fictile/words';
export { failureText, remarkText } from './told.ts';
export { texts } from './texts.ts';
export { OTHER_WORDS } from './otherWords.ts';
export { withUnit } from './withUnit.ts';
export { stepName } from './stepName.ts';
