import { useMemo } from 'react';
import { type FilmWork, filmWork } from '#job/film';
import type { JobView } from '../../../job/useJobView';

/** The film of a job, product by product, for the rolls that were chosen. */
export const useFilmWork = ({ document }: Pick<JobView, 'document'>): readonly FilmWork[] =>
  useMemo(() => filmWork(document), [document]);
