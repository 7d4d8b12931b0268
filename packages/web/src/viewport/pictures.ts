export { PictureMaker } from './PictureMaker.ts';
export type { Pictured } from './PictureMaker.ts';
