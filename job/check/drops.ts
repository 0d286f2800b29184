import type { BeadReading, RunRecord } from '#core/lay/run';
import { BEADS_FROM_DEG, besideBare, type ContactAngle } from '#core/survey/water';

/** Drops read on one panel, the first one first, and what the last of them says. */
export interface PanelDrops {
  readonly surface: string;
  readonly isLaid: boolean;
  readonly readings: readonly BeadReading[];
  readonly beads: boolean;
  /** Against the last drop on a panel left bare; absent where none was read, and on bare ones. */
  readonly beside?: ReturnType<typeof besideBare>;
}

/** What the drops say panel by panel: each beside the latest on a bare one, since a wash alone lets bare paint bead. */
export function panelDrops({ beads }: Pick<RunRecord, 'beads'>, laid: ReadonlySet<string>): PanelDrops[] {
  const bare: ContactAngle | undefined = beads.findLast(({ surface }) => !laid.has(surface));
  return [...new Set(beads.map(({ surface }) => surface))].map((surface): PanelDrops => {
    const readings = beads.filter((each) => each.surface === surface);
    const last = readings.at(-1)!;
    const isLaid = laid.has(surface);
    return {
      surface,
      isLaid,
      readings,
      beads: last.deg >= BEADS_FROM_DEG,
      ...(isLaid && bare && { beside: besideBare(last, bare) }),
    };
  });
}
