import { useMemo } from 'react';
import { type FilmWork, filmWork } from '#job/film';
import type { JobView } from '../../../job/useJobView';

/** The film of a job, product by product, for the rolls that were chosen. */
export function useFilmWork({ document }: JobView): readonly FilmWork[] {
  return useMemo(() => {
    const widths = new Map((document.film ?? []).map(({ product, widthMm }) => [product, widthMm]));
    return filmWork(document, (product) => widths.get(product));
  }, [document]);
}
