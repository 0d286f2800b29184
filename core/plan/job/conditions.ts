import { judgeReadings } from '#core/survey/paint';
import { breathesFor, type Overruled, rulingsOn, withOverruled } from '#core/layers/rules';
import { outsideLimits, type Product } from '#core/products/sheets';
import { airAt, condensation } from '#core/time/air';
import type { Finding } from './findings';
import type { PlanInput, InputSurface } from './input';
import * as say from './say';

type About = { readonly surface: string; readonly product: string };

/** What the rule on fresh paint says at the moment of laying; set aside by hand it is a test spot like any other. */
export function breathing(
  { substrate, aircraft, refinishedAtMin }: InputSurface,
  product: Product,
  startMin: number,
  overruled: Overruled | undefined,
  about: About,
): Finding[] {
  if (refinishedAtMin === undefined) return [];
  const breathesForMin = breathesFor(product, { refinishedAgoMin: startMin - refinishedAtMin });
  const asked = rulingsOn({ product, substrate, aircraft, below: { kind: 'bare' }, breathesForMin });
  return withOverruled(
    asked.filter(({ rule }) => rule === 'fresh-paint'),
    overruled,
  ).flatMap((ruling) =>
    ruling.answer === 'no' ? [say.freshPaint(product, breathesForMin, about)] : say.refusals([ruling], about),
  );
}

export function conditionFindings(
  job: PlanInput,
  surface: InputSurface,
  product: Product,
  startMin: number,
  about: About,
): Finding[] {
  const air = airAt(job.ambient, startMin);
  const surfaceC = surface.surfaceC ?? air.airC;
  const dew = condensation(air.airC, air.rhPct, surfaceC);
  const outside = outsideLimits(product, { airC: air.airC, rhPct: air.rhPct, surfaceC });
  return [
    ...(dew.verdict === 'ok' ? [] : [say.condensationOn(surface, surfaceC, dew, about)]),
    ...(outside.length > 0 ? [say.outOfLimits(product, outside, about)] : []),
  ];
}

export function paintFindings(surfaces: readonly InputSurface[]): Finding[][] {
  return judgeReadings(surfaces).map((paint, index) => say.paint(paint, surfaces[index]!.id));
}
