/** "liga=0, ss01" -> { liga: 0, ss01: 1 }: OpenType features by tag; or the row that is none. */
export function parseFeatures(text: string): { features: Record<string, number> } | { wrong: string } {
  const features: Record<string, number> = {};
  for (const row of text.split(',')) {
    if (row.trim() === '') continue;
    const match = /^\s*([ -<>-~]{4})\s*(?:=\s*(\d{1,2}))?\s*$/.exec(row);
    if (!match) return { wrong: row.trim() };
    features[match[1]] = Number(match[2] ?? 1);
  }
  return { features };
}

export const featuresText = (features: Readonly<Record<string, number>>): string =>
  Object.entries(features)
    .map(([tag, value]) => (value === 1 ? tag : `${tag}=${value}`))
    .join(', ');
