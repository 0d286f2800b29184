import { useState } from 'react';
import type { NetPoint } from '#core/lay/run';
import type { MatchedPlace, Photo } from '#formats/job';
import { type CheckNet, laidOver, onPanel, onSheet, shownAt } from '#job/check';
import { errorText, useChangePhotoMutation } from '../../app/api';
import { type SheetTool } from '../../net/sheet-tool';
import type { PictureAt } from '../../photos/Touchable';
import { pictureAddress, usePhotos } from '../../photos/usePhotos';

/** What a touch on the picture, or on the net, is for. */
export type WetMode = 'match' | 'spot';

/** The wet picture in hand: matched to the net point by point, then its dry patches are found on the panels. */
export function useWetPicture(
  jobId: string,
  net: CheckNet,
  isOpen: boolean,
  onSpot: (surface: string, at: NetPoint) => void,
) {
  const { photos, take, faults } = usePhotos(jobId);
  const [change, { error }] = useChangePhotoMutation();
  const wet = photos.filter(({ role }) => role === 'wet');
  const [chosen, choose] = useState<string>();
  const stored = wet.find(({ id }) => id === chosen) ?? wet.at(-1);
  /** What was touched stands at once: the next touch does not wait for the server to have the last one. */
  const [touched, setTouched] = useState<{ readonly id: string; readonly matched: MatchedPlace[] | null }>();
  const photo = stored && touched?.id === stored.id ? { ...stored, matched: touched.matched } : stored;
  const match = photo && laidOver(net.panels, photo);
  const [asked, ask] = useState<WetMode>();
  const mode: WetMode = match ? (asked ?? 'spot') : 'match';
  /** Touched on the picture, and not yet on the net. */
  const [pending, setPending] = useState<PictureAt>();
  const [beside, setBeside] = useState(false);
  const put = async (matched: MatchedPlace[] | null) => {
    if (!photo) return;
    setTouched({ id: photo.id, matched });
    const answer = await change({ id: photo.id, body: { matched } });
    if ('error' in answer) setTouched(undefined);
  };
  const touchPicture = (at: PictureAt) => {
    setBeside(false);
    if (mode === 'match') return setPending(at);
    const found = photo && shownAt(net.panels, photo, at);
    if (found) onSpot(found.surface, found.at);
    else setBeside(true);
  };
  const touchSheet: NonNullable<SheetTool['onPoint']> = (point) => {
    const found = onPanel(net.panels, point);
    setBeside(!found);
    if (!found || !photo || !pending) return;
    const place: MatchedPlace = { at: [...pending], surface: found.surface, on: [...found.at] };
    void put([...(photo.matched ?? []), place]);
    setPending(undefined);
  };
  // Only where the net is asked for a point: otherwise a touch chooses the panel, as everywhere.
  const wantsPoint = mode === 'match' && pending !== undefined;
  const tool: SheetTool | undefined =
    isOpen && photo
      ? { overlay: (unit) => over(net, photo, unit), ...(wantsPoint && { onPoint: touchSheet }) }
      : undefined;
  return {
    wet,
    photo,
    match,
    mode,
    ask,
    pending,
    /** The last touch was beside the item. */
    beside,
    choose,
    touchPicture,
    faults: error ? [...faults, `Not kept: ${errorText(error)}`] : faults,
    take: (files: readonly File[]) => void take(files, { role: 'wet' }),
    forget: () => {
      void put(null);
      setPending(undefined);
    },
    tool,
  };
}

/** The picture over the panels it shows, with the points it is held by. */
function over({ panels }: CheckNet, photo: Photo, unit: number) {
  const match = laidOver(panels, photo);
  return (
    <g pointerEvents="none">
      <clipPath id="on-panels">
        {panels.map(({ id, outline }) => (
          <polygon key={id} points={outline.map((point) => point.join()).join(' ')} />
        ))}
      </clipPath>
      {match && (
        <g clipPath="url(#on-panels)">
          <image
            href={pictureAddress(photo)}
            width={photo.widthPx}
            height={photo.heightPx}
            transform={`matrix(${match.toSheet.join(' ')})`}
            opacity={0.85}
            preserveAspectRatio="none"
          />
        </g>
      )}
      {(photo.matched ?? []).map((place, nth) => {
        const at = onSheet(panels, place);
        return (
          at && (
            <g key={nth}>
              <circle cx={at[0]} cy={at[1]} r={11 * unit} fill="var(--over)" stroke="#fff" strokeWidth={2 * unit} />
              <text
                x={at[0]}
                y={at[1]}
                fontSize={13 * unit}
                fill="var(--over-ink)"
                textAnchor="middle"
                dominantBaseline="central"
              >
                {nth + 1}
              </text>
            </g>
          )
        );
      })}
    </g>
  );
}
