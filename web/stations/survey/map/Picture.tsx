import type { Point } from '#core/item/geometry';
import type { Job } from '#formats/job';
import { pictureAddress } from '../../../photos/usePhotos';

type PlacedPicture = NonNullable<NonNullable<Job['item']>['picture']>;

/** The photograph or plan that panels are drawn over, at its scale on the sheet. */
export function Picture({ picture: { photo, widthMm, heightMm, atMm } }: { readonly picture: PlacedPicture }) {
  return (
    <image
      href={pictureAddress({ id: photo })}
      x={atMm[0]}
      y={atMm[1]}
      width={widthMm}
      height={heightMm}
      preserveAspectRatio="none"
      pointerEvents="none"
    />
  );
}

/** The two points a picture is scaled by. */
export function ScaleLine({ points, unit }: { readonly points: readonly Point[]; readonly unit: number }) {
  const [from, to] = points;
  return (
    <g pointerEvents="none" aria-hidden>
      {from && to && (
        <path
          d={`M${from[0]} ${from[1]}L${to[0]} ${to[1]}`}
          stroke="var(--over)"
          strokeWidth={2.4}
          strokeDasharray="8 5"
          vectorEffect="non-scaling-stroke"
        />
      )}
      {points.map(([x, y], index) => (
        <circle
          key={index}
          cx={x}
          cy={y}
          r={7 * unit}
          fill="none"
          stroke="var(--over)"
          strokeWidth={2.4}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </g>
  );
}
