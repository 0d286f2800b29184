import { skipToken } from '@reduxjs/toolkit/query';
import { useMemo } from 'react';
import { type ItemTemplate, type Sizes, TEMPLATES } from '#core/item/nets';
import type { Job, KeptTemplate } from '#formats/job';
import { firstSurfaces, itemTemplate, stretched } from '#job/edit';
import { comingBack } from '#job/return';
import { useItemHistoryQuery, useJobQuery, useLogQuery, useTemplatesQuery } from '../../../app/api';

type Item = NonNullable<Job['item']>;

/** What a new job can be measured from. */
export interface Source {
  readonly key: string;
  readonly name: string;
  /** The template that asks for sizes; none: its surfaces are what they are. */
  readonly template?: ItemTemplate | undefined;
  /** Sizes a form begins with. */
  readonly sizes: Sizes;
  /** The item and its surfaces at its own size. */
  at(sizes: Sizes): Pick<Job, 'surfaces'> & { readonly item: Partial<Item> };
}

const fromTemplate = (template: ItemTemplate): Source => ({
  key: template.id,
  name: template.name,
  template,
  sizes: template.usual,
  at: (sizes) => ({ surfaces: firstSurfaces(template, sizes), item: { template: { ...sizes, id: template.id } } }),
});

/** Something measured before: it stretches on where a template was stretched for it. */
function fromMeasured(key: string, name: string, measured: Pick<Job, 'item' | 'surfaces'>): Source {
  const base = itemTemplate(measured);
  return {
    key,
    name,
    template: base?.template,
    sizes: base?.sizes ?? {},
    at: (sizes) => {
      const { item, surfaces } = base ? stretched(measured, sizes) : measured;
      return { surfaces, item: item ?? {} };
    },
  };
}

const fromKept = ({ id, name, template, access, surfaces }: KeptTemplate): Source =>
  fromMeasured(`kept:${id}`, name, {
    surfaces,
    item: { name, ...(template && { template }), ...(access && { access }) },
  });

export interface Sources {
  readonly all: readonly Source[];
  /** The item that has come back, once all of it is here. */
  readonly back: Source | undefined;
  readonly backError: unknown;
}

/** @param itemId an item that has come back */
export function useSources(itemId: string | undefined): Sources {
  const { data: kept } = useTemplatesQuery();
  const { data: history, error } = useItemHistoryQuery(itemId === undefined ? skipToken : { id: itemId });
  const { data: last } = useJobQuery(history?.lastJobId === undefined ? skipToken : { id: history?.lastJobId });
  const { data: log } = useLogQuery(history?.lastJobId === undefined ? skipToken : { id: history?.lastJobId });
  const back = useMemo(() => {
    if (!history || !last || !log) return undefined;
    return fromMeasured(`back:${history.id}`, `${history.name}, as it was left`, comingBack(last.document, log));
  }, [history, last, log]);
  const all = useMemo(
    () => [...(back ? [back] : []), ...TEMPLATES.map(fromTemplate), ...(kept ?? []).map(fromKept)],
    [back, kept],
  );
  return { all, back, backError: error };
}
