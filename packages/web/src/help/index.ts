export { Help } from './Help.tsx';
export { HelpPage } from './HelpPage.tsx';
export { helpOffers } from './helpOffers.ts';
export { Why } from './Why.tsx';
