/** Pumps and pipes. */
import { assertPositive, assertRange } from '../check';

/** Roughness of smooth plastic pipe (Hazen-Williams C, handbooks of hydraulics). */
const SMOOTH = 150;

/** Head lost in straight pipe, cm: Hazen-Williams, h = 10.67 L Q^1.852 / (C^1.852 d^4.8704), metres and cubic metres a second.
 *  Check by hand: 100 m of 100 mm, C 150, 10 L/s: 1.46 m; Darcy and Weisbach with Blasius' friction give 1.38.
 *  @param o.flowLPerH litres an hour @throws RangeError */
export function pipeLossCm(o: { flowLPerH: number; lengthCm: number; insideMm: number }): number {
  assertRange('flowLPerH', o.flowLPerH, 0, 1e6, 'L/h');
  assertRange('lengthCm', o.lengthCm, 0, 1e5, 'cm');
  assertPositive('insideMm', o.insideMm, 'mm');
  const q = o.flowLPerH / 3.6e6;
  return (100 * 10.67 * (o.lengthCm / 100) * q ** 1.852) / (SMOOTH ** 1.852 * (o.insideMm / 1000) ** 4.8704);
}

/** A bend as so much straight pipe: thirty diameters for a right angle (handbooks of hydraulics). */
export const bendCm = (insideMm: number): number => 3 * insideMm;

export interface PumpCurve {
  ratedLPerH: number;
  maxHeadCm: number;
  /** Read off the maker's drawing, in any order. */
  points?: readonly { headCm: number; flowLPerH: number }[] | undefined;
}

/** What a pump gives at a height, L/h. With points of its curve: straight from one to the next, which says a little less than a curve that
 *  bulges. Without: the parabola through its flow without height and its greatest height, Q = Qmax sqrt(1 - h / hmax), as a centrifugal
 *  pump's nearly is. @throws RangeError where the points do not fall from the flow without height to the greatest height */
export function pumpGives(o: PumpCurve, headCm: number): number {
  assertPositive('ratedLPerH', o.ratedLPerH, 'L/h');
  assertPositive('maxHeadCm', o.maxHeadCm, 'cm');
  if (headCm >= o.maxHeadCm) return 0;
  if (!o.points || o.points.length === 0) return o.ratedLPerH * Math.sqrt(1 - headCm / o.maxHeadCm);
  const curve = [
    { headCm: 0, flowLPerH: o.ratedLPerH },
    ...[...o.points].sort((a, b) => a.headCm - b.headCm),
    { headCm: o.maxHeadCm, flowLPerH: 0 },
  ];
  let given = 0;
  for (const [i, to] of curve.entries()) {
    const from = curve[i - 1];
    if (!from) continue;
    if (to.headCm <= from.headCm || to.flowLPerH >= from.flowLPerH)
      throw new RangeError('the points of the curve must fall: the more height, the less flow');
    if (headCm >= from.headCm && headCm <= to.headCm)
      given =
        from.flowLPerH +
        ((to.flowLPerH - from.flowLPerH) * (headCm - from.headCm)) / (to.headCm - from.headCm);
  }
  return given;
}

/** Flow where the pump's curve meets the pipe's, found by halving. @throws RangeError */
export function workingPoint(
  o: PumpCurve & {
    liftCm: number;
    pipeCm: number;
    bends: number;
    insideMm: number;
  },
): { flowLPerH: number; headCm: number; lossCm: number } {
  assertRange('liftCm', o.liftCm, 0, 5000, 'cm');
  const lengthCm = o.pipeCm + o.bends * bendCm(o.insideMm);
  const loss = (q: number): number => pipeLossCm({ flowLPerH: q, lengthCm, insideMm: o.insideMm });
  let [low, high] = [0, o.ratedLPerH];
  for (let i = 0; i < 60; i++) {
    const q = (low + high) / 2;
    if (pumpGives(o, o.liftCm + loss(q)) > q) low = q;
    else high = q;
  }
  const flowLPerH = o.liftCm >= o.maxHeadCm ? 0 : (low + high) / 2;
  return { flowLPerH, headCm: o.liftCm + loss(flowLPerH), lossCm: loss(flowLPerH) };
}

/** How far a sump rises when the display drains down, cm. Check by hand: 15 L into 40 x 25 cm: 15 cm. */
export function riseCm(drainsL: number, chamberCm2: number): number {
  assertRange('drainsL', drainsL, 0, 10000, 'L');
  assertPositive('chamberCm2', chamberCm2, 'cm²');
  return (1000 * drainsL) / chamberCm2;
}
