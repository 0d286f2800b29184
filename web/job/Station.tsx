import { type ReactNode, useMemo } from 'react';
import type { Box } from '#core/item/geometry';
import { arrange, type Arrangement } from '#core/item/nets';
import { Net } from '../net/Net';
import type { LegendEntry, PanelPaint, Place } from '../net/paint';
import type { SheetTool } from '../net/sheet-tool';
import { useKeptScroll } from './kept-place';
import { useJob } from './job-context';

interface Props {
  readonly lens: (id: string) => PanelPaint;
  readonly legend: readonly LegendEntry[];
  readonly lensName: string;
  /** Shown over the net's top edge: the one line that matters in this station. */
  readonly headline?: ReactNode;
  /** What a touch on a panel does besides choosing it; true: it was for that, and nothing is chosen. */
  readonly onPlace?: ((id: string, at: Place) => boolean) | undefined;
  /** Something done on the sheet itself. */
  readonly tool?: SheetTool | undefined;
  /** Room on the sheet beyond the panels: a picture to draw over, or paper to draw on. */
  readonly paper?: Box | undefined;
  /** At the net's left: what is picked up to be put on it. */
  readonly beside?: ReactNode;
  /** Under the net: a picture over time. */
  readonly below?: ReactNode;
  /** False: no names on the panels. */
  readonly names?: boolean;
  readonly children: ReactNode;
}

/** Where a key places something: nobody pointed. */
const MIDDLE: Place = [0.5, 0.5];

/** A station of the desk: the net under its lens on the left, the chosen panel on the right. */
export function Station(props: Props) {
  const { lens, legend, lensName, headline, onPlace, tool, paper, beside, below, names = true, children } = props;
  const { id, document, chosen, choose } = useJob('choose', 'chosen', 'document', 'id');
  const scrolled = useKeptScroll<HTMLElement>(`${id}/${lensName}/${chosen?.id ?? ''}`);
  const arrangement = useMemo(() => withPaper(arrange(document), paper), [document, paper]);
  return (
    <main className="grid h-full min-h-0 grid-cols-1 grid-rows-[minmax(16rem,1fr)_minmax(0,1.6fr)] sm:grid-rows-[minmax(20rem,1fr)_minmax(0,1fr)] lg:grid-cols-[1fr_27rem] lg:grid-rows-1">
      <div className="flex min-h-0 flex-col bg-sheet">
        {headline && <div className="border-b px-4 py-2">{headline}</div>}
        <div className="flex min-h-0 flex-1">
          {beside && <div className="w-46 shrink-0 overflow-auto border-r">{beside}</div>}
          <div className="min-w-0 flex-1">
            {document.surfaces.length > 0 || paper ? (
              <Net
                arrangement={arrangement}
                tool={tool}
                lens={lens}
                names={names}
                legend={legend}
                label={`The item unfolded, ${lensName}`}
                chosen={chosen?.id}
                onChoose={(id, at) => {
                  if (!(at && onPlace?.(id, at))) choose(id);
                }}
                onEnter={onPlace && ((id) => onPlace(id, MIDDLE))}
              />
            ) : (
              <p className="grid h-full place-items-center p-10 text-center text-ink-2">
                Nothing is measured yet: add the first surface under Survey.
              </p>
            )}
          </div>
        </div>
        {below}
      </div>
      <aside
        ref={scrolled}
        aria-label="Chosen panel"
        className="min-h-0 overflow-auto border-t border-line-strong bg-paper lg:border-l lg:border-t-0"
      >
        {children}
      </aside>
    </main>
  );
}

function withPaper(arrangement: Arrangement, paper: Box | undefined): Arrangement {
  if (!paper) return arrangement;
  const { panels, box } = arrangement;
  if (panels.length === 0) return { ...arrangement, box: paper };
  return {
    ...arrangement,
    box: {
      minX: Math.min(box.minX, paper.minX),
      minY: Math.min(box.minY, paper.minY),
      maxX: Math.max(box.maxX, paper.maxX),
      maxY: Math.max(box.maxY, paper.maxY),
    },
  };
}

/** A part of the side panel, with its heading. */
export function Part({
  title,
  children,
  action,
}: {
  readonly title: string;
  readonly children: ReactNode;
  readonly action?: ReactNode;
}) {
  return (
    <section className="border-b px-5 py-4">
      <div className="mb-2 flex items-center justify-between gap-3">
        <h3 className="font-semibold">{title}</h3>
        {action}
      </div>
      {children}
    </section>
  );
}

/** Name and kind of the chosen panel, with a way back to the whole item. */
export function PanelHead({ children }: { readonly children?: ReactNode }) {
  const { chosen, choose, nameOf } = useJob('choose', 'chosen', 'nameOf');
  if (!chosen) return null;
  return (
    <div className="border-b bg-sheet px-5 py-3">
      <button type="button" className="text-[13px] text-ink-2 underline" onClick={() => choose(undefined)}>
        Whole item
      </button>
      <h2 className="figure text-xl">{nameOf(chosen.id)}</h2>
      {children}
    </div>
  );
}
