/** Calls that are made in the same way from several screens. */
import { nanoid } from '@reduxjs/toolkit';
import type { BodySent, Routes } from '#formats/api';
import type { Bay } from '#formats/job';
import type { NewStockEntry } from '#formats/stock';
import { nowInstant } from '../ui/moments';
import { useNoteStockMutation, useSaveBayMutation, useSaveJobMutation } from './api';

/** Logs what happened to a thing in stock, now. */
export function useNoteStock() {
  const [note, state] = useNoteStockMutation();
  const noteNow = (entry: NewStockEntry['entry']) => note({ body: { id: nanoid(), at: nowInstant(), entry } });
  return [noteNow, state] as const;
}

/** Saves a bay as it was changed. */
export function useSaveBay() {
  const [save, state] = useSaveBayMutation();
  const saveBay = ({ id, version, ...body }: Bay) => save({ id, version, body });
  return [saveBay, state] as const;
}

/** Makes a job of a draft, under an id of its own. */
export function useMakeJob() {
  const [save, state] = useSaveJobMutation();
  const makeJob = (body: BodySent<Routes['saveJob']>) => save({ id: nanoid(), version: 0, body });
  return [makeJob, state] as const;
}
