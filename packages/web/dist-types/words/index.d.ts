export { failureText, remarkText } from './remarks.ts';
export { texts } from './texts.ts';
//# sourceMappingURL=index.d.ts.map
