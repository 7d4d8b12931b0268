/** The id of a step that is only tried. */
export const TRIED = 'tried';
