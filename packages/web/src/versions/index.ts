export { Versions } from './Versions.tsx';
