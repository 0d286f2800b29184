import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import type { Photo } from '#formats/job';
import { errorText, type NewPhoto, useAddPhotoMutation, usePhotosQuery } from '../app/api';

export const pictureAddress = ({ id }: Pick<Photo, 'id'>) => `/api/photos/${id}/picture.jpg`;
export const thumbAddress = ({ id }: Pick<Photo, 'id'>) => `/api/photos/${id}/thumb.jpg`;

/** The pictures of a job, and taking in more of them one after the other. */
export function usePhotos(jobId: string) {
  const { data: photos = NONE } = usePhotosQuery(jobId);
  const [add] = useAddPhotoMutation();
  const [waiting, setWaiting] = useState(0);
  const [faults, setFaults] = useState<readonly string[]>([]);
  const take = async (files: Iterable<File>, said: Omit<NewPhoto, 'jobId' | 'id' | 'file'> = {}) => {
    const all = [...files];
    setFaults([]);
    setWaiting(all.length);
    const kept: Photo[] = [];
    for (const file of all) {
      const answer = await add({ jobId, id: nanoid(12), file, ...said });
      if (answer.data) kept.push(answer.data);
      else setFaults((before) => [...before, `${file.name}: ${errorText(answer.error)}`]);
      setWaiting((before) => before - 1);
    }
    return kept;
  };
  return { photos, take, waiting, faults };
}

const NONE: readonly Photo[] = [];
