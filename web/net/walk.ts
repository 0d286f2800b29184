import type { PlacedPanel } from '#core/item/nets';

const TOWARDS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The panel an arrow key leads to: the nearest in that direction, sideways distance counting double. */
export function panelTowards(
  key: string,
  panels: readonly PlacedPanel[],
  chosen: string | undefined,
): string | undefined {
  const direction = TOWARDS[key];
  if (key === 'Home' || (direction && !panels.some(({ id }) => id === chosen))) return panels[0]?.id;
  if (key === 'End') return panels.at(-1)?.id;
  if (!direction) return undefined;
  const middle = ({ outline }: PlacedPanel) => {
    const xs = outline.map(([x]) => x);
    const ys = outline.map(([, y]) => y);
    return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2] as const;
  };
  const [fromX, fromY] = middle(panels.find(({ id }) => id === chosen)!);
  const [dx, dy] = direction;
  const reachable = panels.flatMap((panel) => {
    const [x, y] = middle(panel);
    const along = (x - fromX) * dx + (y - fromY) * dy;
    const aside = Math.abs((x - fromX) * dy) + Math.abs((y - fromY) * dx);
    return along > 1 ? [{ id: panel.id, far: along + 2 * aside }] : [];
  });
  return reachable.sort((a, b) => a.far - b.far)[0]?.id;
}
