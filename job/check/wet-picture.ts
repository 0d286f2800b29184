import { boundingBox, containsPoint, type Point } from '#core/item/geometry';
import type { NetPoint } from '#core/lay/run';
import { matchPicture, moved, type PictureMatch } from '#core/survey/water';
import type { MatchedPlace, Photo } from '#formats/job';
import type { CheckNet } from './check-view';

type Panels = CheckNet['panels'];
type Picture = Pick<Photo, 'widthPx' | 'heightPx' | 'matched'>;

/** The place on the sheet, mm, of a place on a panel; undefined where there is no such panel. */
export function onSheet(
  panels: Panels,
  { surface, on: [across, down] }: Pick<MatchedPlace, 'surface' | 'on'>,
): Point | undefined {
  const outline = panels.find(({ id }) => id === surface)?.outline;
  if (!outline) return undefined;
  const { minX, maxX, minY, maxY } = boundingBox(outline);
  return [minX + across * (maxX - minX), minY + down * (maxY - minY)];
}

/** The panel under a point of the sheet, and where on it; undefined beside the item. */
export function onPanel(panels: Panels, point: Point): { readonly surface: string; readonly at: NetPoint } | undefined {
  // What lies over another is drawn, and found, last.
  const panel = panels.findLast(({ outline }) => containsPoint(outline, point));
  if (!panel) return undefined;
  const { minX, maxX, minY, maxY } = boundingBox(panel.outline);
  return { surface: panel.id, at: [(point[0] - minX) / (maxX - minX), (point[1] - minY) / (maxY - minY)] };
}

const inPixels = ({ widthPx, heightPx }: Picture, [x, y]: readonly [number, number]): Point => [
  x * widthPx,
  y * heightPx,
];

/** How a picture lies over the sheet, from its pixels; undefined while too few places of it are matched. */
export function laidOver(panels: Panels, picture: Picture): PictureMatch | undefined {
  return matchPicture(
    (picture.matched ?? []).flatMap((place) => {
      const sheet = onSheet(panels, place);
      return sheet ? [{ picture: inPixels(picture, place.at), sheet }] : [];
    }),
  );
}

/** The panel, and the place on it, that a place of a matched picture shows; undefined where it shows none. */
export function shownAt(panels: Panels, picture: Picture, at: readonly [number, number]): ReturnType<typeof onPanel> {
  const match = laidOver(panels, picture);
  return match && onPanel(panels, moved(match.toSheet, inPixels(picture, at)));
}
