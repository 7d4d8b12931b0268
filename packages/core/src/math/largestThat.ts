/** The largest value between two of which the lower holds and the upper does not, by so many halvings; it holds. */
export function largestThat(
  holds: (value: number) => boolean,
  [low, high]: readonly [number, number],
  halvings: number,
): number {
  let [good, bad] = [low, high];
  for (let i = 0; i < halvings; i++) {
    const middle = (good + bad) / 2;
    if (holds(middle)) good = middle;
    else bad = middle;
  }
  return good;
}
