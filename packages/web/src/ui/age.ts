const UNITS: readonly [Intl.RelativeTimeFormatUnit, number][] = [
  ['year', 31_557_600],
  ['month', 2_629_800],
  ['week', 604_800],
  ['day', 86_400],
  ['hour', 3_600],
  ['minute', 60],
];
const format = new Intl.RelativeTimeFormat('en', { numeric: 'auto' });

/** "10 minutes ago", "yesterday". */
export function ageText(at: Date, now: Date): string {
  const seconds = (at.getTime() - now.getTime()) / 1000;
  const unit = UNITS.find(([, length]) => Math.abs(seconds) >= length);
  return unit ? format.format(Math.round(seconds / unit[1]), unit[0]) : 'just now';
}
