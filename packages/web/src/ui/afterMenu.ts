const MENU_CLOSED_MS = 50;

/** A closing menu gives the focus back to its button a moment later; what takes the focus itself waits for that. */
export const afterMenu = (run: () => void): void => void setTimeout(run, MENU_CLOSED_MS);
