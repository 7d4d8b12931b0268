export { Loading } from './Loading.tsx';
export { ValueField } from './ValueField.tsx';
