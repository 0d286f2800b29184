import { useMemo, useState } from 'react';
import type { Blank } from '#core/film/blanks';
import { FILM_SET_IDS, FILM_SETS } from '#core/film/sets';
import { boundingBox, type Point } from '#core/item/geometry';
import { arrange } from '#core/item/nets';
import type { Surface } from '#formats/job';
import { layFilm, laySet, panelsInSet, splitFilm, takeFilmOff, wrapEdge } from '#job/edit';
import { type FilmWork, outlineOf } from '#job/film';
import { PanelHead, Part, Station } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import type { JobView } from '../../../job/useJobView';
import type { LegendEntry, PanelPaint } from '../../../net/paint';
import { Button } from '../../../ui/Button';
import { NumberField } from '../../../ui/NumberField';
import { SelectField } from '../../../ui/SelectField';
import { Tick } from '../../../ui/Tick';
import { m2 } from '../../../ui/measures';
import { ViewSwitch } from '../ViewSwitch';
import { blanksOverlay, type PlacedBlank } from './blanks-overlay';
import { Mixes } from './Mixes';
import { useFilmWork } from './useFilmWork';

const LEGEND: readonly LegendEntry[] = [
  { fill: 'blank', text: 'No film' },
  { fill: 'tint-2', text: 'Film; its cut line runs round it' },
  { fill: 'stop', text: '✕ Asks more stretch than the film has' },
];

/** The blanks where they will lie: on the panels, edge by edge. */
export function FilmBlanks() {
  const job = useJob('chosen', 'document', 'edit');
  const work = useFilmWork(job);
  const { chosen } = job;
  const blanks = useMemo(() => work.flatMap((each) => each.blanks), [work]);
  const lens = useMemo(() => {
    const on = new Map(blanks.map((blank) => [blank.panel, blank]));
    return (id: string): PanelPaint => {
      const blank = on.get(id);
      if (!blank) return { fill: 'blank' };
      return blank.stretch.isTooMuch ? { fill: 'stop', sign: 'no' } : { fill: 'tint-2' };
    };
  }, [blanks]);
  const overlay = useMemo(
    () =>
      blanksOverlay(
        onSheet(blanks, job),
        chosen?.id,
        (edge, wraps) => chosen && job.edit(wrapEdge(chosen, edge, wraps)),
        (share) => chosen && job.edit(splitFilm(chosen, share)),
      ),
    [blanks, chosen, job],
  );
  return (
    <Station lens={lens} legend={LEGEND} lensName="as film blanks" headline={<ViewSwitch />} tool={{ overlay }}>
      {chosen ? <PanelFilm surface={chosen} work={work} /> : <WholeFilm work={work} />}
    </Station>
  );
}

/** Blanks with where their panels lie on the sheet; a strip that is drawn folded has none. */
function onSheet(blanks: readonly Blank[], { document }: Pick<JobView, 'document'>): PlacedBlank[] {
  const placed = new Map(arrange(document).panels.map((panel) => [panel.id, panel]));
  const surfaces = new Map(document.surfaces.map((surface) => [surface.id, surface]));
  return blanks.flatMap((blank) => {
    const [panel, surface] = [placed.get(blank.panel), surfaces.get(blank.panel)];
    if (!panel || panel.folded || !surface) return [];
    const [own, there] = [boundingBox(outlineOf(surface)), boundingBox(panel.outline)];
    // The sheet grows downwards, a panel upwards.
    return [{ blank, byMm: [there.minX - own.minX, there.minY + own.maxY] as const }];
  });
}

interface Props {
  readonly work: readonly FilmWork[];
}

function WholeFilm({ work }: Props) {
  const job = useJob('document', 'edit', 'laid', 'shelf');
  const films = job.shelf.filter(({ family }) => family === 'film');
  const [filmId, setFilm] = useState<string | undefined>(work[0]?.product.id);
  const film = films.find(({ id }) => id === filmId) ?? films[0];
  const count = work.reduce((sum, { blanks }) => sum + blanks.reduce((n, each) => n + each.count, 0), 0);
  const hard = work.flatMap(({ blanks }) => blanks.filter(({ stretch }) => stretch.isTooMuch));
  return (
    <>
      <section className="border-b bg-sheet px-5 py-4">
        <h2 className="label">Film to be cut</h2>
        <p className="figure text-4xl">{m2(work.reduce((sum, { areaM2 }) => sum + areaM2, 0))}</p>
        <p className="text-ink-2">
          {count} {count === 1 ? 'piece' : 'pieces'}, developed, with what is wrapped round their edges
        </p>
      </section>
      {!film ? (
        <p className="p-5 text-ink-2">No film is on the shelf. Add a sheet of family Film under Shelf first.</p>
      ) : (
        <Part title="What is covered">
          <SelectField
            label="Film"
            value={film.id}
            options={films.map(({ id, name }) => [id, name])}
            onChange={setFilm}
          />
          <ul className="mt-3 space-y-2">
            {FILM_SET_IDS.map((id) => {
              const free = unlaid(job);
              const count = panelsInSet(id, free, film);
              const laid = panelsInSet(id, job.document.surfaces, film) - count;
              return (
                <li key={id}>
                  <Button disabled={count === 0} onClick={() => job.edit(laySet(id, free, film, job.shelf))}>
                    {FILM_SETS[id].name} · {count} {count === 1 ? 'panel' : 'panels'}
                  </Button>
                  <p className="mt-0.5 text-[13px] text-ink-2">
                    {FILM_SETS[id].covers}
                    {laid > 0 && ` On ${laid} something has been laid already; they stay as they are.`}
                  </p>
                </li>
              );
            })}
          </ul>
          {count > 0 && (
            <div className="mt-3">
              <Button onClick={() => job.edit(takeFilmOff(unlaid(job), job.shelf))}>No film anywhere</Button>
            </div>
          )}
          <p className="mt-3 text-[13px] text-ink-2">
            Film goes first, what else was chosen lies over it. What is on the panels already comes off under Prepare.
            What the sheet of the film does not name is left out.
          </p>
        </Part>
      )}
      {hard.length > 0 && (
        <Part title="More stretch than the film has in hand">
          <ul className="space-y-1">
            {hard.map(({ id, name, stretch }) => (
              <li key={id}>
                <span className="text-stop">✕</span> {name}: {Math.round(stretch.neededPct)} % of{' '}
                {Math.round(stretch.inHandPct)} %
              </li>
            ))}
          </ul>
          <p className="mt-2 text-[13px] text-ink-2">
            In two parts with a seam, with more relief cuts, or another film. Half of what a film may be stretched by is
            left for edges and corners.
          </p>
        </Part>
      )}
      <Mixes work={work} />
    </>
  );
}

function PanelFilm({ surface, work }: Props & { readonly surface: Surface }) {
  const job = useJob('edit', 'shelf');
  const own = work.flatMap(({ blanks, product }) =>
    blanks.filter(({ panel }) => panel === surface.id).map((blank) => ({ blank, product })),
  );
  const film = own[0]?.product ?? work[0]?.product ?? job.shelf.find(({ family }) => family === 'film');
  const [first] = own;
  return (
    <>
      <PanelHead>
        {first && (
          <p className="text-ink-2">
            {own
              .map(({ blank: { outline } }) => {
                const { minX, maxX, minY, maxY } = boundingBox(outline);
                return `${Math.round(maxX - minX)} × ${Math.round(maxY - minY)} mm`;
              })
              .join(' and ')}
            , {m2(own.reduce((sum, { blank }) => sum + blank.areaM2 * blank.count, 0))} of {first.product.name}
          </p>
        )}
      </PanelHead>
      <Part title="Film">
        {film && (
          <Button
            onClick={() => job.edit(first ? takeFilmOff([surface], job.shelf) : layFilm([surface], film.id, job.shelf))}
          >
            {first ? 'No film here' : `Film here: ${film.name}`}
          </Button>
        )}
      </Part>
      {first && (
        <>
          <Part title="Wrapped round its edges">
            <div className="space-y-1">
              {first.blank.edges.map((edge) => (
                <Tick
                  key={edge.index}
                  label={`Edge ${edge.index + 1}, ${Math.round(lengthOf(edge.points))} mm`}
                  on={edge.wraps}
                  onChange={(on) => job.edit(wrapEdge(surface, edge, on))}
                />
              ))}
            </div>
            <p className="mt-2 text-[13px] text-ink-2">
              Round an edge that returns, not where glass or trim begins. Tap an edge on the panel to change it.
            </p>
          </Part>
          <Part title="How it lies">
            <p>
              Stretch along its {first.blank.stretch.along === 0 ? 'length' : 'height'}:{' '}
              {Math.round(first.blank.stretch.neededPct)} % asked, {Math.round(first.blank.stretch.inHandPct)} % in hand
              {first.blank.stretch.isTooMuch && <strong className="text-stop"> ✕ too much in one piece</strong>}
            </p>
            <p className="text-ink-2">
              {own.reduce((sum, { blank }) => sum + blank.reliefs.length, 0)} relief cuts,{' '}
              {own.reduce((sum, { blank }) => sum + blank.cutOuts.length, 0)} cut-outs
            </p>
          </Part>
          {first.blank.seam && (
            <Part title={`In ${own.length} parts, wider than the roll`}>
              <NumberField
                label="Cut at, share of the way across"
                unit="%"
                value={surface.film?.splitAt === undefined ? undefined : Math.round(surface.film.splitAt * 100)}
                optional
                check={(value) => (value > 0 && value < 100 ? undefined : 'Between 0 and 100 %.')}
                onChange={(value) => job.edit(splitFilm(surface, value === undefined ? undefined : value / 100))}
                hint="Or drag the line on the panel. Empty: where a body line hides it"
              />
            </Part>
          )}
        </>
      )}
    </>
  );
}

const unlaid = ({ document, laid }: Pick<JobView, 'document' | 'laid'>) =>
  document.surfaces.filter(({ id }) => !laid.has(id));

const lengthOf = (points: readonly Point[]) =>
  points.slice(1).reduce((sum, [x, y], index) => sum + Math.hypot(x - points[index]![0], y - points[index]![1]), 0);
