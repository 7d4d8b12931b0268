export { Checks } from './Checks.tsx';
