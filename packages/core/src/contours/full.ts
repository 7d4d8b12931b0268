import { defineContour } from './definition.ts';

/** Full letters. */
export const fullContour = defineContour({ kind: 'full', fields: {}, bands: () => undefined, growsAsSolid: true });
