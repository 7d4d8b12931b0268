export { ValueField } from './ValueField.tsx';
//# sourceMappingURL=index.d.ts.map
