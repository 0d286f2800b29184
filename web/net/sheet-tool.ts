import type { KeyboardEvent, MouseEvent, PointerEvent, ReactNode } from 'react';
import { boundingBox, type Point, type Polygon } from '#core/item/geometry';
import type { Place } from './paint';

/** Something done on the sheet itself rather than to a panel: drawing, scaling, moving corners. Millimetres of the sheet. */
export interface SheetTool {
  /** Under the panels. */
  readonly underlay?: ReactNode;
  /** Over the panels; `unit` is millimetres per pixel. */
  overlay(unit: number): ReactNode;
  /** Where the sheet was touched; without it, touches go to the panels. */
  readonly onPoint?: (point: Point, unit: number) => void;
  readonly onMove?: (point: Point, unit: number) => void;
  /** Where it was let go; without it, a touch is done when it begins. */
  readonly onLift?: (point: Point, unit: number) => void;
  /** True: the key was for the tool. */
  readonly onKey?: (event: KeyboardEvent, unit: number) => boolean;
}

/** The place on the sheet, mm, where a pointer is. */
export function sheetPoint(event: PointerEvent<SVGElement>): Point {
  const svg = event.currentTarget.ownerSVGElement ?? (event.currentTarget as SVGSVGElement);
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse());
  return [x, y];
}

/** Where on a panel a pointer was, as shares of its box. */
export function placeOf(event: MouseEvent<SVGGElement>, outline: Polygon): Place | undefined {
  const matrix = event.currentTarget.ownerSVGElement?.getScreenCTM()?.inverse();
  if (!matrix) return undefined;
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix);
  const box = boundingBox(outline);
  const share = (value: number, low: number, high: number) => Math.min(1, Math.max(0, (value - low) / (high - low)));
  return [share(x, box.minX, box.maxX), share(y, box.minY, box.maxY)];
}
