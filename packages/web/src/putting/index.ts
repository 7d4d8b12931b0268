export { useOnItsWay, usePutting } from './usePutting.ts';
