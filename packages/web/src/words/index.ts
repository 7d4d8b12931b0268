export { cureText } from './cureTexts.ts';
export { failureText, remarkText } from './remarks.ts';
export { texts } from './texts.ts';
export { stepName } from './stepName.ts';
