export { SHIPPED as SHIPPED_FONTS } from './shipped.ts';
export type { ShippedFamily, ShippedStyle } from './catalogue.ts';
export { fontPath, readFont, readLicence } from './files.ts';
