export { cureText } from '@fictile/words';
export { failureText, remarkText } from './told.ts';
export { texts } from './texts.ts';
export { stepName } from './stepName.ts';
