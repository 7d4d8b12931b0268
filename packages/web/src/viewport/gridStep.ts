/** A round length (1, 2 or 5 times a power of ten) of which about ten go along the longest side. */
export function gridStep(reach: number): number {
  const rough = Math.max(reach, 1e-6) / 10;
  const ten = 10 ** Math.floor(Math.log10(rough));
  return [1, 2, 5, 10].find((k) => k * ten >= rough * 0.999)! * ten;
}
