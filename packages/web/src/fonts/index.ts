export { FontSample } from './FontSample.tsx';
export { useFonts } from './useFonts.ts';
