import { Check, FileInput, Image, Merge, PenTool, Ruler, Scissors, SquareDashedMousePointer } from 'lucide-react';
import { useState } from 'react';
import { arrange } from '#core/item/nets';
import { changeDocument } from '#job/edit';
import { useJob } from '../../../job/job-context';
import { TakePicture } from '../../../photos/TakePicture';
import { usePhotos } from '../../../photos/usePhotos';
import { Button } from '../../../ui/Button';
import { NumberField } from '../../../ui/NumberField';
import { ImportOutlines } from './ImportOutlines';
import type { MapEditor, MapMode } from './useMap';

const TOOLS = [
  ['draw', 'Draw', PenTool],
  ['corners', 'Corners', SquareDashedMousePointer],
  ['split', 'Split', Scissors],
  ['join', 'Join', Merge],
] as const satisfies readonly (readonly [MapMode, string, unknown])[];

/** Until a picture is scaled it is taken to be this wide, mm. */
const FIRST_WIDTH_MM = 3000;
const PICTURE_GAP_MM = 300;

/** What the map can be changed with. */
export function MapTools({ map }: { readonly map: MapEditor }) {
  const job = useJob('document', 'edit', 'id');
  const [importing, setImporting] = useState(false);
  const { take, faults, waiting } = usePhotos(job.id);
  const { document, edit } = job;
  const item = document.item ?? { name: document.title };
  const { picture } = item;
  const layUnder = async (file: File) => {
    const [photo] = await take([file], { role: 'plan' });
    if (!photo) return;
    const { box, panels } = arrange(document);
    const heightMm = (FIRST_WIDTH_MM * photo.heightPx) / photo.widthPx;
    const atMm: [number, number] = panels.length > 0 ? [box.minX, box.maxY + PICTURE_GAP_MM] : [0, 0];
    edit(changeDocument({ item: { ...item, picture: { photo: photo.id, widthMm: FIRST_WIDTH_MM, heightMm, atMm } } }));
    map.pick('scale');
  };
  return (
    <div className="contents">
      {TOOLS.map(([mode, name, Icon]) => (
        <Button
          key={mode}
          look={map.mode === mode ? 'main' : 'plain'}
          aria-pressed={map.mode === mode}
          onClick={() => map.pick(map.mode === mode ? undefined : mode)}
        >
          <Icon size={16} /> {name}
        </Button>
      ))}
      <Button onClick={() => setImporting(true)}>
        <FileInput size={16} /> From a drawing
      </Button>
      {picture ? (
        <>
          <Button
            look={map.mode === 'scale' ? 'main' : 'plain'}
            aria-pressed={map.mode === 'scale'}
            onClick={() => map.pick(map.mode === 'scale' ? undefined : 'scale')}
          >
            <Ruler size={16} /> Scale the picture
          </Button>
          <Button
            look="quiet"
            onClick={() => {
              map.pick(undefined);
              edit(changeDocument({ item: { ...item, picture: undefined } }));
            }}
          >
            <Image size={16} /> Take the picture off
          </Button>
        </>
      ) : (
        <TakePicture label="Picture to draw over" onFiles={([file]) => file && void layUnder(file)}>
          {waiting > 0 ? 'Taking it in …' : 'Over a picture'}
        </TakePicture>
      )}
      {map.mode === 'draw' && (
        <Button look="main" disabled={!map.canClose} onClick={map.close}>
          <Check size={16} /> Close the outline
        </Button>
      )}
      {map.mode === 'scale' && map.scale.length === 2 && <ScaleForm map={map} />}
      <p className="min-w-40 flex-1 text-[14px] leading-tight text-ink-2" aria-live="polite">
        {faults[0] ?? map.said}
      </p>
      <ImportOutlines open={importing} onClose={() => setImporting(false)} />
    </div>
  );
}

/** The true distance of two points on the picture: it grows or shrinks about the first. */
function ScaleForm({ map }: { readonly map: MapEditor }) {
  const { document, edit } = useJob('document', 'edit');
  const { item } = document;
  const [[ax, ay], [bx, by]] = map.scale as [readonly [number, number], readonly [number, number]];
  const drawnMm = Math.hypot(ax - bx, ay - by);
  const put = (mm: number) => {
    const picture = item?.picture;
    if (!picture || drawnMm === 0) return;
    const factor = mm / drawnMm;
    const atMm: [number, number] = [ax + (picture.atMm[0] - ax) * factor, ay + (picture.atMm[1] - ay) * factor];
    edit(
      changeDocument({
        item: {
          ...item,
          picture: { ...picture, atMm, widthMm: picture.widthMm * factor, heightMm: picture.heightMm * factor },
        },
      }),
    );
    map.endScale();
  };
  return (
    <div className="w-44">
      <NumberField
        label="True distance"
        unit="mm"
        value={undefined}
        check={(mm) => (mm >= 10 && mm <= 60_000 ? undefined : '10 to 60,000 mm')}
        onChange={(mm) => mm !== undefined && put(mm)}
      />
    </div>
  );
}
