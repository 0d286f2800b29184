import { boundingBox, type Polygon, polygonAreaM2 } from '#core/item/geometry';
import type { CutPlan } from './cut-plan';

/** What is left beside and between the pieces and may serve again: full-width ends and strips, largest first. */
export interface Offcut {
  readonly outline: Polygon;
  readonly areaM2: number;
}
/** Smaller than this, mm by m², is thrown away. */
const LEAST_SIDE_MM = 150;
const LEAST_OFFCUT_M2 = 0.06;
/** Side of a cell, mm. */
export const STEP_MM = 25;

/** Rectangles of the cut length that no piece touches, the largest again and again while one is worth keeping. */
export function offcutsOf({ widthMm, lengthMm, pieces }: Pick<CutPlan, 'widthMm' | 'lengthMm' | 'pieces'>): Offcut[] {
  const [columns, rows] = [Math.floor(lengthMm / STEP_MM), Math.floor(widthMm / STEP_MM)];
  const taken = takenCells(pieces, columns, rows);
  const found: Offcut[] = [];
  for (;;) {
    const box = largestFree(taken, columns, rows);
    if (!box) return found;
    const [x1, x2, y1, y2] = box;
    const outline: Polygon = [
      [x1 * STEP_MM, y1 * STEP_MM],
      [x2 * STEP_MM, y1 * STEP_MM],
      [x2 * STEP_MM, y2 * STEP_MM],
      [x1 * STEP_MM, y2 * STEP_MM],
    ];
    const areaM2 = polygonAreaM2(outline);
    if (areaM2 < LEAST_OFFCUT_M2) return found;
    found.push({ outline, areaM2 });
    for (let x = x1; x < x2; x++) taken[x]!.fill(1, y1, y2);
  }
}

/** Cells of the cut length, column by column along the roll; 1 where a piece lies on any of it. */
export function takenCells(
  pieces: readonly { readonly outline: Polygon }[],
  columns: number,
  rows: number,
): Uint8Array[] {
  const taken = Array.from({ length: columns }, () => new Uint8Array(rows));
  for (const { outline } of pieces) {
    markEdges(taken, outline, rows);
    markInside(taken, outline, rows);
  }
  return taken;
}

/** What only touches a line between cells, mm, lies in neither. */
const TOUCHES_MM = 1e-6;
const firstCell = (mm: number) => Math.max(0, Math.floor((mm + TOUCHES_MM) / STEP_MM));
const cellAfter = (mm: number) => Math.ceil((mm - TOUCHES_MM) / STEP_MM);

/** Every cell an edge runs through: column by column, from where it comes in to where it goes out. */
function markEdges(taken: readonly Uint8Array[], outline: Polygon, rows: number): void {
  for (const [index, [ax, ay]] of outline.entries()) {
    const [bx, by] = outline[(index + 1) % outline.length]!;
    const [minX, maxX] = [Math.min(ax, bx), Math.max(ax, bx)];
    const yAt = (x: number) => (ax === bx ? ay : ay + ((by - ay) * (x - ax)) / (bx - ax));
    for (let x = firstCell(minX); x < Math.min(taken.length, cellAfter(maxX)); x++) {
      const ends = ax === bx ? [ay, by] : [yAt(Math.max(minX, x * STEP_MM)), yAt(Math.min(maxX, (x + 1) * STEP_MM))];
      taken[x]!.fill(1, firstCell(Math.min(...ends)), Math.max(0, Math.min(rows, cellAfter(Math.max(...ends)))));
    }
  }
}

/** Every cell whose middle lies inside (even-odd rule): where the edges cross the middle of its column. */
function markInside(taken: readonly Uint8Array[], outline: Polygon, rows: number): void {
  const { minX, maxX } = boundingBox(outline);
  for (let x = firstCell(minX); x < Math.min(taken.length, cellAfter(maxX)); x++) {
    const middle = (x + 0.5) * STEP_MM;
    const crossings = outline
      .flatMap(([ax, ay], index) => {
        const [bx, by] = outline[(index + 1) % outline.length]!;
        return ax > middle === bx > middle ? [] : [ay + ((by - ay) * (middle - ax)) / (bx - ax)];
      })
      .sort((a, b) => a - b);
    for (let nth = 0; nth + 1 < crossings.length; nth += 2) {
      const [from, to] = [crossings[nth]!, crossings[nth + 1]!].map((mm) => Math.round(mm / STEP_MM));
      taken[x]!.fill(1, Math.max(0, from!), Math.max(0, Math.min(rows, to!)));
    }
  }
}

/** The largest free rectangle of at least the least side: columns of free heights, swept. */
function largestFree(
  taken: readonly Uint8Array[],
  columns: number,
  rows: number,
): readonly [number, number, number, number] | undefined {
  const least = Math.ceil(LEAST_SIDE_MM / STEP_MM);
  const free = new Uint16Array(rows);
  let best: readonly [number, number, number, number] | undefined;
  let most = 0;
  for (let x = 0; x < columns; x++) {
    for (let y = 0; y < rows; y++) free[y] = taken[x]![y] ? 0 : free[y]! + 1;
    for (let y = 0; y < rows; y++) {
      let length = Infinity;
      for (let top = y; top < rows && free[top]! >= least; top++) {
        length = Math.min(length, free[top]!);
        const tall = top - y + 1;
        if (tall < least || length * tall <= most) continue;
        most = length * tall;
        best = [x + 1 - length, x + 1, y, top + 1];
      }
    }
  }
  return best;
}
