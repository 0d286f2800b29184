import { useState } from 'react';
import { type Layer, surfaceName } from '#formats/job';
import { setLayers } from '#job/edit';
import { judgeLayers, productsOf } from '#job/judge';
import { bySchoolsOf } from '#job/terms';
import type { JobView } from '../../job/useJobView';

/** A stack that is picked up and laid on whatever is tapped next. */
export interface Brush {
  readonly from: string;
  readonly layers: readonly Layer[];
}

/** Laying one stack on many panels: by tap, or a whole zone at once. What the rules refuse is not laid, and says why. */
export function useBrush({
  document,
  planned,
  shelf,
  laid,
  edit,
}: Pick<JobView, 'document' | 'edit' | 'laid' | 'planned' | 'shelf'>) {
  const [brush, setBrush] = useState<Brush>();
  const [said, setSaid] = useState<string>();
  const products = productsOf(document.products, shelf);
  // What the workshop's schools make of a sheet is judged by, and never kept.
  const schooled = bySchoolsOf(document, products);
  /** Why the stack may not go on a panel; undefined where it may. */
  const refusal = (id: string, layers: readonly Layer[]): string | undefined => {
    if (laid.has(id)) return 'something is laid on it already';
    const ground = planned.surfaces.find((surface) => surface.id === id)!;
    return judgeLayers(ground, layers, schooled).find(({ answer }) => answer === 'no')?.rulings[0]?.reason;
  };
  const layOn = (ids: readonly string[]) => {
    if (!brush) return;
    const refused = ids.flatMap((id) => {
      const why = refusal(id, brush.layers);
      return why ? [{ id, why }] : [];
    });
    const fitting = ids.filter((id) => !refused.some((each) => each.id === id));
    if (fitting.length > 0) edit(setLayers(fitting, brush.layers, shelf));
    const [first] = refused;
    const name = first && surfaceName(document.surfaces.find(({ id }) => id === first.id)!);
    setSaid(
      first
        ? `Not on the ${name!.toLowerCase()}: ${first.why}${refused.length > 1 ? `; nor on ${refused.length - 1} more` : ''}.`
        : undefined,
    );
  };
  return {
    brush,
    said,
    layOn,
    pickUp(from: string, layers: readonly Layer[]) {
      setBrush({ from, layers });
      setSaid(undefined);
    },
    putDown() {
      setBrush(undefined);
      setSaid(undefined);
    },
  };
}
