/** A panel of a stage: where on the item it lies, and what is left to do on it, minutes. */
export interface PanelOfSide {
  readonly surface: string;
  /** Absent: it lies on no side, such as a wheel barrel or a part that is off. */
  readonly side?: string | undefined;
  readonly minutes: number;
}

/** Sides on which somebody works by themselves, in the order they are taken. */
const WHOLE_SIDES = ['left', 'right', 'front', 'rear', 'under'];

/**
 * Who takes which panels of a stage: each a whole side, the largest sides first, and what lies between them (top, parts
 * apart) panel by panel by whoever has least to do: they help whoever is behind.
 * @returns by person, in their order, the panels they take, in the order they were given
 */
export function takeSides<P extends PanelOfSide>(panels: readonly P[], people: number): P[][] {
  const taken = Array.from({ length: Math.max(1, people) }, () => ({ minutes: 0, panels: new Set<P>() }));
  const least = () => taken.reduce((best, each) => (each.minutes < best.minutes - 1e-9 ? each : best));
  const give = (own: readonly P[]) => {
    const to = least();
    for (const panel of own) {
      to.minutes += panel.minutes;
      to.panels.add(panel);
    }
  };
  const lasts = (own: readonly P[]) => own.reduce((sum, { minutes }) => sum + minutes, 0);
  const sides = WHOLE_SIDES.map((side) => panels.filter((panel) => panel.side === side)).filter(
    (own) => own.length > 0,
  );
  if (people > 1) for (const own of sides.toSorted((a, b) => lasts(b) - lasts(a)).slice(0, people)) give(own);
  const given = new Set(taken.flatMap((each) => [...each.panels]));
  for (const panel of panels.filter((each) => !given.has(each)).toSorted((a, b) => b.minutes - a.minutes))
    give([panel]);
  return taken.map((each) => panels.filter((panel) => each.panels.has(panel)));
}
