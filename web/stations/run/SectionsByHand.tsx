import { Minus, Plus } from 'lucide-react';
import { isTooLarge, type SheetPatch } from '#core/lay/run';
import { Button } from '../../ui/Button';
import { m2 } from '../../ui/measures';

interface Props {
  /** The first section of a copy, as it would be laid. */
  readonly first: SheetPatch;
  readonly onCut: (sections: number) => void;
}

/** More or fewer sections than the sheet says, before the first of them is begun. */
export function SectionsByHand({ first, onCut }: Props) {
  const { sections } = first;
  const tooLarge = isTooLarge(first);
  return (
    <div role="group" aria-label="Sections" className="mt-2 flex flex-wrap items-center gap-3 border-t pt-2 text-lg">
      <Button glove aria-label="Fewer sections" disabled={sections === 1} onClick={() => onCut(sections - 1)}>
        <Minus size={22} />
      </Button>
      <strong className="min-w-24 text-center">{sections === 1 ? 'In one go' : `${sections} sections`}</strong>
      <Button glove aria-label="More sections" onClick={() => onCut(sections + 1)}>
        <Plus size={22} />
      </Button>
      <span className={`flex-1 ${tooLarge ? 'font-semibold text-stop' : 'text-ink-2'}`}>
        {m2(first.areaM2)} each{tooLarge && ': more than can be levelled before it closes'}
      </span>
    </div>
  );
}
