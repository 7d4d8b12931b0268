export { Figures } from './Figures.tsx';
