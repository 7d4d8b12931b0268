interface Place {
  points: number;
  ours: number;
  theirs: number;
}

interface PlotNames {
  ours: string;
  theirs: string;
  across: string;
}

const USUAL_NAMES: PlotNames = { ours: 'ours', theirs: 'three', across: 'points of the letter' };

const [WIDE, HIGH, ROOM] = [640, 400, 56];

/** Times over points, both axes logarithmic, as an SVG. */
export function growthPlot(rows: readonly Place[], names: PlotNames = USUAL_NAMES): string {
  const [left, right] = [rows[0].points, rows[rows.length - 1].points].map(Math.log10);
  const times = rows.flatMap(({ ours, theirs }) => [ours, theirs]).map(Math.log10);
  const [low, high] = [Math.floor(Math.min(...times)), Math.ceil(Math.max(...times))];
  const x = (points: number): number => ROOM + ((Math.log10(points) - left) / (right - left)) * (WIDE - 2 * ROOM);
  const y = (ms: number): number => HIGH - ROOM - ((Math.log10(ms) - low) / (high - low)) * (HIGH - 2 * ROOM);
  const line = (of: 'ours' | 'theirs', colour: string): string =>
    `<polyline fill="none" stroke="${colour}" stroke-width="2.5" ` +
    `points="${rows.map((row) => `${x(row.points).toFixed(1)},${y(row[of]).toFixed(1)}`).join(' ')}"/>` +
    rows
      .map((row) => `<circle cx="${x(row.points).toFixed(1)}" cy="${y(row[of]).toFixed(1)}" r="4" fill="${colour}"/>`)
      .join('') +
    `<text x="${WIDE - ROOM + 6}" y="${(y(rows[rows.length - 1][of]) + 4).toFixed(1)}" ` +
    `fill="${colour}">${names[of]}</text>`;
  const decades = Array.from({ length: high - low + 1 }, (_, i) => 10 ** (low + i));
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDE} ${HIGH}" font-family="sans-serif" ` +
      'font-size="13" fill="#23262d">',
    `<rect width="${WIDE}" height="${HIGH}" fill="#fdfbf6"/>`,
    ...decades.map(
      (ms) =>
        `<path d="M${ROOM} ${y(ms).toFixed(1)}H${WIDE - ROOM}" stroke="#ddd4c3"/><text x="${ROOM - 8}" ` +
        `y="${(y(ms) + 4).toFixed(1)}" text-anchor="end">${ms} ms</text>`,
    ),
    ...rows.map(
      (row) =>
        `<text x="${x(row.points).toFixed(1)}" y="${HIGH - ROOM + 20}" text-anchor="middle">${row.points}</text>`,
    ),
    `<text x="${WIDE / 2}" y="${HIGH - 12}" text-anchor="middle">${names.across}</text>`,
    line('theirs', '#a8482a'),
    line('ours', '#22489c'),
    '</svg>',
    '',
  ].join('\n');
}
