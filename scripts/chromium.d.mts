export function chromiumPath(): string | undefined;
export function ensureChromium(): void;
