import { ShieldAlert } from 'lucide-react';
import { agedFound, type RemovalPaint, type StandingSurface } from '#core/care/upkeep';
import { REMOVAL_METHODS, type RemovalMethodId } from '#core/products/removal-methods';
import { nextToTry, patchesSay } from '#core/prepare/removal';
import { surfaceAreaM2 } from '#core/plan/job';
import { changePrepare } from '#job/edit';
import { patchesTried } from '#job/plan';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';

interface Props {
  readonly subject: StandingSurface;
  readonly paint: RemovalPaint;
}

const inLine = (method: RemovalMethodId) => REMOVAL_METHODS[method].name.toLowerCase();

/** How something nobody knows comes off: tried on a patch, mildest first, until water sheets. */
export function TestPatch({ subject, paint }: Props) {
  const job = useJob('document', 'edit', 'nameOf', 'nowMin');
  const { surface, found, layers } = subject;
  const own = job.document.surfaces.find(({ id }) => id === surface.id);
  const top = found.at(-1);
  if (!own || !top || layers.length > 0) return null;
  const tried = patchesTried(job.document, own);
  if (tried.length === 0 && top.comesOffBy !== undefined) return null;
  const { comesOffBy, resists } = patchesSay(tried);
  const areaM2 = surfaceAreaM2(surface) * surface.count;
  const next = nextToTry(
    { ...paint, substrate: surface.substrate, areaM2, layers: [agedFound(top, job.nowMin)] },
    tried,
  );
  const say = (method: RemovalMethodId, sheets: boolean) => {
    const all = job.document.prepare?.stripTests ?? [];
    job.edit(changePrepare({ stripTests: [...all, { surface: surface.id, method, sheets }] }));
  };
  const alike = new Set(tried.map((each) => each.surface).filter((id) => id !== surface.id));
  return (
    <Part title="What takes it off: a patch tells">
      {comesOffBy.length > 0 ? (
        <p>
          <strong>{comesOffBy.map((method) => REMOVAL_METHODS[method].name).join(', ')}</strong> does: water sheeted on
          the patch. All panels alike are reckoned with it.
        </p>
      ) : next ? (
        <>
          <p className="text-[14px] text-ink-2">
            A hand wide, where it does not show{resists.length > 0 && `; ${resists.map(inLine).join(', ')} did not`}.
          </p>
          <p className="mt-1 figure text-xl">{next.name}, then rinse</p>
          <p className="mt-1 flex gap-1.5 text-[14px] text-warn">
            <ShieldAlert size={16} className="mt-0.5 shrink-0" aria-hidden />
            <span>{next.caution}</span>
          </p>
          <div className="mt-3 flex flex-wrap gap-3">
            <Button glove look="main" onClick={() => say(next.method, true)}>
              Water sheets
            </Button>
            <Button glove onClick={() => say(next.method, false)}>
              It still beads
            </Button>
          </div>
        </>
      ) : (
        <p>
          Nothing this paint can stand takes it off
          {resists.length > 0 && `: ${resists.map(inLine).join(', ')} did not`}. It is left to wear off, or worked over.
        </p>
      )}
      {alike.size > 0 && (
        <p className="mt-2 text-[13px] text-ink-3">Tried on {[...alike].map(job.nameOf).join(', ')}.</p>
      )}
    </Part>
  );
}
