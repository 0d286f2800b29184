import { boundingBox, distanceToEdgeMm, type Point, type Polygon, polygonAreaM2 } from '#core/item/geometry';
import { cutPanel } from './cut-panel';

/** One coat of a product on one panel of the sheet, as the run sheet has it worked. */
export interface PanelOnSheet {
  readonly surface: string;
  /** Where it lies on the sheet, mm. */
  readonly outline: Polygon;
  readonly zone?: string | undefined;
  readonly sections: number;
  /** Largest section today, m²; null: no limit. */
  readonly maxM2: number | null;
  /** All its copies; units of the product on them. */
  readonly areaM2: number;
  readonly count: number;
  readonly amount: number;
  readonly onePiece: boolean;
  /** When it is begun, minutes. */
  readonly startMin: number;
}

/** A section of a panel, in its place. */
export interface Piece {
  readonly surface: string;
  /** From 1, in the order it is worked. */
  readonly section: number;
  readonly outline: Polygon;
  readonly areaM2: number;
  readonly amount: number;
}

/** What is laid in one go: a section of a panel, or neighbouring panels together. */
export interface WorkPatch {
  /** In the order of work, from 1. */
  readonly number: number;
  readonly pieces: readonly Piece[];
  readonly areaM2: number;
  readonly amount: number;
  /** Asked for in one go, whatever its size. */
  readonly onePiece: boolean;
  /** Larger than today's limit all the same. */
  readonly tooLarge: boolean;
}

/** Panels whose outlines come this near share an edge, mm. */
const NEIGHBOURS_MM = 60;

/**
 * The sections of one coat of one product on the sheet, numbered in the order of work: panels over today's limit are
 * cut, neighbours that come one after the other share a patch where the tighter limit holds for all of it.
 * @param creases lines of the drawing in the same millimetres
 */
export function workPatches(panels: readonly PanelOnSheet[], creases: readonly (readonly Point[])[]): WorkPatch[] {
  const inOrder = [...panels].sort((a, b) => a.startMin - b.startMin);
  const patches: Omit<WorkPatch, 'number'>[] = [];
  /** The panels of the last patch, where more may join them. */
  let open: PanelOnSheet[] | undefined;
  for (const panel of inOrder) {
    if (open && sharesWith(open, panel)) {
      open.push(panel);
      const [patch] = patches.splice(-1);
      patches.push(together(patch!, wholePiece(panel), panel));
      continue;
    }
    open = undefined;
    const pieces = piecesOf(panel, creases);
    patches.push(...pieces.map((piece) => alone(piece, panel)));
    if (pieces.length === 1 && panel.count === 1 && !panel.onePiece) open = [panel];
  }
  return patches.map((patch, index) => ({ number: index + 1, ...patch }));
}

const wholePiece = ({ surface, outline, areaM2, amount }: PanelOnSheet): Piece => ({
  surface,
  section: 1,
  outline,
  areaM2,
  amount,
});

function piecesOf(panel: PanelOnSheet, creases: readonly (readonly Point[])[]): Piece[] {
  const { surface, outline, areaM2, amount } = panel;
  const whole = polygonAreaM2(outline);
  if (!(whole > 0)) return [wholePiece(panel)];
  return sectionsOf(panel, creases).map((piece, index): Piece => {
    const share = polygonAreaM2(piece) / whole;
    return { surface, section: index + 1, outline: piece, areaM2: areaM2 * share, amount: amount * share };
  });
}

/** The sections of one panel in its place, in the order they are worked: none larger than today's limit. */
export function sectionsOf(
  {
    outline,
    sections,
    maxM2,
    areaM2,
    count,
  }: Pick<PanelOnSheet, 'outline' | 'sections' | 'maxM2' | 'areaM2' | 'count'>,
  creases: readonly (readonly Point[])[],
): readonly Polygon[] {
  const mostShare = maxM2 === null ? 1 : Math.max(1 / sections, Math.min(1, (maxM2 * count) / areaM2));
  return cutPanel(outline, sections, mostShare, creases).pieces;
}

const alone = (piece: Piece, { onePiece, maxM2, count }: PanelOnSheet): Omit<WorkPatch, 'number'> => ({
  pieces: [piece],
  areaM2: piece.areaM2,
  amount: piece.amount,
  onePiece,
  tooLarge: maxM2 !== null && piece.areaM2 / count > maxM2 * (1 + 1e-6),
});

const together = (
  patch: Omit<WorkPatch, 'number'>,
  piece: Piece,
  { onePiece }: PanelOnSheet,
): Omit<WorkPatch, 'number'> => ({
  ...patch,
  pieces: [...patch.pieces, piece],
  areaM2: patch.areaM2 + piece.areaM2,
  amount: patch.amount + piece.amount,
  onePiece: patch.onePiece || onePiece,
});

/** Whether a panel may be laid in one go with others: it lies beside one of them and the tighter limit holds for all. */
function sharesWith(members: readonly PanelOnSheet[], panel: PanelOnSheet): boolean {
  if (panel.sections !== 1 || panel.count !== 1 || panel.onePiece) return false;
  if (members[0]!.zone !== panel.zone) return false;
  const limits = [...members, panel].map(({ maxM2 }) => maxM2 ?? Infinity);
  const areaM2 = [...members, panel].reduce((sum, each) => sum + each.areaM2, 0);
  return areaM2 <= Math.min(...limits) && members.some((member) => areNeighbours(member.outline, panel.outline));
}

/** Whether two outlines come near each other somewhere: their boxes first, then corner by corner and edge by edge. */
function areNeighbours(a: Polygon, b: Polygon): boolean {
  const [p, q] = [boundingBox(a), boundingBox(b)];
  const apart =
    p.minX > q.maxX + NEIGHBOURS_MM ||
    q.minX > p.maxX + NEIGHBOURS_MM ||
    p.minY > q.maxY + NEIGHBOURS_MM ||
    q.minY > p.maxY + NEIGHBOURS_MM;
  return !apart && (a.some((corner) => isNear(b, corner)) || b.some((corner) => isNear(a, corner)));
}

const isNear = (outline: Polygon, point: Point): boolean => distanceToEdgeMm(outline, point) <= NEIGHBOURS_MM;
