export { PictureMaker } from './PictureMaker.ts';
