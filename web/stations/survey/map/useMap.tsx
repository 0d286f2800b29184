import { useMemo, useState } from 'react';
import type { Box, Point } from '#core/item/geometry';
import { arrange, snap, type Snapped } from '#core/item/nets';
import type { Surface } from '#formats/job';
import { mergeFault, mergeSurfaces, outlineFault } from '#job/edit';
import type { JobView } from '../../../job/useJobView';
import type { PanelPaint, Place } from '../../../net/paint';
import type { SheetTool } from '../../../net/sheet-tool';
import { Corners } from './Corners';
import { DrawnLine } from './DrawnLine';
import { Picture, ScaleLine } from './Picture';
import { type Cut, cutFurther, withCutMark } from './cut';

export type MapMode = 'split' | 'join' | 'draw' | 'corners' | 'scale';

/** Pixels within which a point is drawn to what lies near. */
const REACH_PX = 12;
/** Paper for a first drawing, mm. */
const FIRST_PAPER: Box = { minX: 0, minY: 0, maxX: 3000, maxY: 2000 };
/** An arrow key moves the pen so many pixels, fine steps with the shift key. */
const STEP_PX = 10;

/** The map being edited: which tool is in hand, and what it has begun. */
export interface MapEditor {
  readonly mode: MapMode | undefined;
  readonly pick: (mode: MapMode | undefined) => void;
  /** What to do next, or why the last try did nothing. */
  readonly said: string;
  readonly tool: SheetTool | undefined;
  readonly paper: Box | undefined;
  readonly lens: (id: string) => PanelPaint;
  readonly place: (id: string, at: Place) => boolean;
  /** An outline that is closed and wants a name. */
  readonly drawn: readonly Point[] | undefined;
  readonly putDrawn: (points: readonly Point[] | undefined) => void;
  /** Two points on the picture whose distance is asked for. */
  readonly scale: readonly Point[];
  readonly endScale: () => void;
  readonly canClose: boolean;
  readonly close: () => void;
}

export function useMap(
  job: Pick<JobView, 'chosen' | 'document' | 'draft' | 'edit' | 'laid' | 'nameOf'>,
  plainLens: (id: string) => PanelPaint,
  active: boolean,
): MapEditor {
  const { document, chosen, edit, laid } = job;
  const [mode, setMode] = useState<MapMode>();
  const [cut, setCut] = useState<Cut>({});
  const [first, setFirst] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const [points, setPoints] = useState<readonly Point[]>([]);
  const [pen, setPen] = useState<Snapped>();
  const [drawn, setDrawn] = useState<readonly Point[]>();
  const [scale, setScale] = useState<readonly Point[]>([]);
  const outlines = useMemo(() => arrange(document).panels.map(({ outline }) => outline), [document]);
  const picture = document.item?.picture;
  const paper = useMemo(() => paperOf(picture, active && document.surfaces.length === 0), [picture, active, document]);

  const pick = (next: MapMode | undefined) => {
    setMode(next);
    setCut({});
    setFirst(undefined);
    setTrouble(undefined);
    setPoints([]);
    setPen(undefined);
    setScale([]);
    if (next !== undefined) setDrawn(undefined);
  };
  const hold = (point: Point, unit: number): Snapped =>
    snap(point, { outlines: [...outlines, points], from: points.at(-1), reachMm: REACH_PX * unit });

  const close = (all: readonly Point[] = points) => {
    const fault = outlineFault(all);
    if (fault) return setTrouble(`Not closed: ${fault}.`);
    setDrawn(all);
    setMode(undefined);
    setPoints([]);
    setPen(undefined);
  };
  const put = ({ point, to }: Snapped) => {
    setTrouble(undefined);
    const isFirst = points.length > 2 && to === 'corner' && point[0] === points[0]![0] && point[1] === points[0]![1];
    if (isFirst) close();
    else setPoints([...points, point]);
  };

  const drawTool: SheetTool = {
    underlay: picture && <Picture picture={picture} />,
    overlay: (unit) => <DrawnLine points={points} pen={pen} unit={unit} />,
    onPoint: (point, unit) => put(hold(point, unit)),
    onMove: (point, unit) => setPen(hold(point, unit)),
    onKey: (event, unit) => {
      const step = (event.shiftKey ? 1 : STEP_PX) * unit;
      const from = pen?.point ?? points.at(-1) ?? middleOf(paper ?? arrange(document).box);
      const moved = ARROWS[event.key];
      if (moved) {
        setPen({ point: [from[0] + moved[0] * step, from[1] + moved[1] * step] });
        return true;
      }
      switch (event.key) {
        case ' ':
          put(hold(from, unit));
          return true;
        case 'Enter':
          close();
          return true;
        case 'Backspace':
          setPoints(points.slice(0, -1));
          return true;
        case 'Escape':
          pick(undefined);
          return true;
        default:
          return false;
      }
    },
  };
  const scaleTool: SheetTool = {
    underlay: picture && <Picture picture={picture} />,
    overlay: (unit) => <ScaleLine points={scale} unit={unit} />,
    onPoint: (point) => setScale(scale.length >= 2 ? [point] : [...scale, point]),
  };
  const isLaid = (surface: Surface) => laid.has(surface.id);
  const cornersTool = (surface: Surface): SheetTool => ({
    underlay: picture && <Picture picture={picture} />,
    overlay: (unit) => (
      <Corners key={surface.id} surface={surface} outlines={outlines} unit={unit} edit={edit} onSaid={setTrouble} />
    ),
  });
  const tools: Partial<Record<MapMode, SheetTool>> = {
    draw: drawTool,
    scale: scaleTool,
    ...(chosen && !isLaid(chosen) && { corners: cornersTool(chosen) }),
  };
  const plain: SheetTool | undefined =
    picture || drawn
      ? {
          underlay: picture && <Picture picture={picture} />,
          overlay: (unit) => (drawn ? <DrawnLine points={drawn} closed unit={unit} /> : null),
        }
      : undefined;

  const join = (surface: Surface) => {
    const other = document.surfaces.find(({ id }) => id === first);
    if (!other) return setFirst(surface.id);
    const laid = [surface, other].find(isLaid);
    const why = laid ? `work has been logged on ${job.nameOf(laid.id)}` : mergeFault(other, surface);
    setTrouble(why && `Not joined: ${why}.`);
    setFirst(undefined);
    if (!why) edit((draft) => mergeSurfaces(draft, other.id, surface.id));
  };
  const place = (id: string, at: Place) => {
    const surface = document.surfaces.find((one) => one.id === id);
    if (!surface || (mode !== 'split' && mode !== 'join')) return false;
    if (mode === 'split') setCut(cutFurther(cut, surface, at, job));
    else join(surface);
    return true;
  };
  const standsFast =
    mode === 'corners' && chosen ? cornersFault(chosen, isLaid(chosen), job.nameOf(chosen.id)) : undefined;
  const joinLens = (id: string): PanelPaint =>
    id === first
      ? { ...plainLens(id), spots: [{ key: 'join', at: [0.5, 0.5], sign: '1', size: 'medium' }] }
      : plainLens(id);
  const lens = mode === 'split' ? withCutMark(plainLens, cut) : mode === 'join' && first ? joinLens : plainLens;
  return {
    mode,
    pick,
    said:
      trouble ??
      (mode === 'split' && cut.said ? cut.said : (standsFast ?? saidOf(mode, { cut, first, points, chosen, scale }))),
    tool: active ? ((mode && tools[mode]) ?? plain) : undefined,
    paper: active ? paper : undefined,
    lens,
    place,
    drawn,
    putDrawn: setDrawn,
    scale,
    endScale: () => pick(undefined),
    canClose: mode === 'draw' && points.length > 2,
    close: () => close(),
  };
}

/** Why the corners of a surface cannot be moved; undefined where they can. */
function cornersFault({ shape, count }: Surface, laid: boolean, name: string): string | undefined {
  if (laid) return `Work has been logged on ${name}: its outline stands.`;
  if (shape.kind !== 'polygon')
    return `${name} was measured by tape and has no corners; measure it as an outline first.`;
  return count > 1 ? `${name} stands for several copies; make them surfaces of their own first.` : undefined;
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

const middleOf = ({ minX, minY, maxX, maxY }: Box): Point => [(minX + maxX) / 2, (minY + maxY) / 2];

function paperOf(picture: NonNullable<JobView['document']['item']>['picture'], isEmpty: boolean): Box | undefined {
  if (!picture) return isEmpty ? FIRST_PAPER : undefined;
  const [minX, minY] = picture.atMm;
  return { minX, minY, maxX: minX + picture.widthMm, maxY: minY + picture.heightMm };
}

interface Begun {
  readonly cut: Cut;
  readonly first: string | undefined;
  readonly points: readonly Point[];
  readonly chosen: Surface | undefined;
  readonly scale: readonly Point[];
}

function saidOf(mode: MapMode | undefined, { cut, first, points, chosen, scale }: Begun): string {
  switch (mode) {
    case 'split':
      return cut.first ? 'Now tap where the line ends.' : 'Tap a panel where the line begins.';
    case 'join':
      return first === undefined ? 'Tap the panel that stays.' : 'Now tap its neighbour.';
    case 'draw':
      if (points.length === 0)
        return 'Tap the corners one after the other; it snaps to what is near. Keys: arrows, space, enter.';
      return points.length < 3 ? 'The next corner.' : 'The next corner, or the first again to close.';
    case 'corners':
      if (!chosen) return 'Choose a panel, then move its corners.';
      return 'Drag a corner, or an edge’s middle for a new one. Keys: tab, arrows, delete.';
    case 'scale':
      return scale.length < 2 ? 'Tap two points on the picture whose distance you know.' : 'How far apart are they?';
    case undefined:
      return '';
  }
}
