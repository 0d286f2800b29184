import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import type { QuerySent, Routes } from '#formats/api';
import type { Photo } from '#formats/job';
import { addressOf } from '../app/address-of';
import { errorText, useAddPhotoMutation, usePhotosQuery } from '../app/api';

/** What is said of a picture when it is taken. */
export type PhotoLabels = QuerySent<Routes['addPhoto']>;

export const pictureAddress = ({ id }: Pick<Photo, 'id'>) => addressOf('picture', { id });
export const thumbAddress = ({ id }: Pick<Photo, 'id'>) => addressOf('thumbnail', { id });

/** The pictures of a job, and taking in more of them one after the other. */
export function usePhotos(jobId: string) {
  const { data: photos = NONE } = usePhotosQuery({ id: jobId });
  const [add] = useAddPhotoMutation();
  const [waiting, setWaiting] = useState(0);
  const [faults, setFaults] = useState<readonly string[]>([]);
  const take = async (files: Iterable<File>, labels: PhotoLabels = {}) => {
    const all = [...files];
    setFaults([]);
    setWaiting(all.length);
    const kept: Photo[] = [];
    for (const file of all) {
      const answer = await add({ id: jobId, photo: nanoid(12), body: file, ...labels });
      if (answer.data) kept.push(answer.data);
      else setFaults((before) => [...before, `${file.name}: ${errorText(answer.error)}`]);
      setWaiting((before) => before - 1);
    }
    return kept;
  };
  return { photos, take, waiting, faults };
}

const NONE: readonly Photo[] = [];
