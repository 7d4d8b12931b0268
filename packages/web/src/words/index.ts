export { cureText, failureText, remarkText } from './remarks.ts';
export { texts } from './texts.ts';
