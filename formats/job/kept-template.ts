import { type z } from 'zod';
import { id, instant, list, nonEmpty, object, text } from '#formats/values';
import { type Job, jobSchema, type Surface, surfaceSchema } from './job';

/** An item kept as a pattern for others like it: its surfaces as measured, without what was seen or laid. */
export const keptTemplateDraftSchema = object({
  name: nonEmpty(),
  /** The template it was stretched from, with its sizes: it stretches on; without one it is used as it is. */
  template: jobSchema.shape.item.unwrap().shape.template,
  access: text().optional(),
  surfaces: list(surfaceSchema).min(1, { error: 'expected at least one surface' }),
});
export const keptTemplateSchema = keptTemplateDraftSchema.extend({ id: id(), createdAt: instant() });
export type KeptTemplateDraft = z.output<typeof keptTemplateDraftSchema>;
export type KeptTemplate = z.output<typeof keptTemplateSchema>;

/** What of a surface is true of the next item like it: its shape and what it is made of. */
function pattern({
  id,
  name,
  substrate,
  shape,
  count,
  curvature,
  onePiece,
  measuredBy,
  onSheet,
  zone,
}: Surface): Surface {
  return {
    id,
    ...(name !== undefined && { name }),
    substrate,
    shape,
    count,
    ...(curvature !== undefined && { curvature }),
    onePiece,
    measuredBy,
    ...(onSheet !== undefined && { onSheet }),
    ...(zone && { zone }),
    existing: [],
    readingsUm: [],
    paint: 'factory',
    layers: [],
  };
}

/** A job's item as a template under a name. */
export function keptTemplate(name: string, { item, surfaces }: Pick<Job, 'item' | 'surfaces'>): KeptTemplateDraft {
  return {
    name,
    ...(item?.template && { template: item.template }),
    ...(item?.access && { access: item.access }),
    surfaces: surfaces.map(pattern),
  };
}
