export { SHIPPED_FONTS } from './catalogue.ts';
export type { ShippedFamily, ShippedStyle } from './catalogue.ts';
export { fontPath, readFont, readLicence } from './files.ts';
