export { ValueField } from './ValueField.tsx';
