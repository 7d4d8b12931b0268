import { seededRandom } from '../base/index.ts';
import { CurveBuilder, pointAt } from './curves.ts';
import { curveBounds, transformCurves, type CurveForm } from './transformCurves.ts';

const drawing = (random: () => number) => {
  const builder = new CurveBuilder();
  const n = (): number => Math.round(random() * 200 - 100);
  for (let c = 0; c < 2; c++) {
    builder.moveTo(n(), n());
    builder.lineTo(n(), n());
    builder.quadraticTo(n(), n(), n(), n());
    builder.cubicTo(n(), n(), n(), n(), n(), n());
    builder.close();
  }
  return builder.finish();
};

test('the box around curves is that of their points, no larger and no smaller', () => {
  const random = seededRandom(17);
  for (let round = 0; round < 60; round++) {
    const curves = drawing(random);
    const box = curveBounds(curves);
    if (!box) throw new Error('no box');
    const seen = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
    for (let i = 0; i < curves.degree.length; i++) {
      for (let k = 0; k <= 400; k++) {
        const { x, y } = pointAt(curves, i, k / 400);
        seen.minX = Math.min(seen.minX, x);
        seen.maxX = Math.max(seen.maxX, x);
        seen.minY = Math.min(seen.minY, y);
        seen.maxY = Math.max(seen.maxY, y);
      }
    }
    for (const side of ['minX', 'minY', 'maxX', 'maxY'] as const) expect(box[side]).toBeCloseTo(seen[side], 1);
    expect([seen.minX >= box.minX, seen.minY >= box.minY, seen.maxX <= box.maxX, seen.maxY <= box.maxY]).toEqual([
      true,
      true,
      true,
      true,
    ]);
  }
});

test('points go over with the form that their curves went through', () => {
  const random = seededRandom(5);
  const curves = drawing(random);
  const form: CurveForm = [0.5, -1.5, 2, 0.25];
  const [a, b, c, d] = form;
  const formed = transformCurves(curves, form);
  for (let i = 0; i < curves.degree.length; i++) {
    const before = pointAt(curves, i, 0.3);
    const after = pointAt(formed, i, 0.3);
    expect(after.x).toBeCloseTo(a * before.x + b * before.y, 9);
    expect(after.y).toBeCloseTo(c * before.x + d * before.y, 9);
  }
});

test('nothing has no box', () => expect(curveBounds(new CurveBuilder().finish())).toBeUndefined());
