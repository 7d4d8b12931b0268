export { HandOver } from './HandOver.tsx';
