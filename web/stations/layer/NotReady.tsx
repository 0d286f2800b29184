import { useState } from 'react';
import { Link } from 'react-router';
import type { Need } from '#core/prepare/stages';
import { doAfterAll, setCameWith } from '#job/edit';
import { type Unready, unreadyMatters } from '#job/prepare';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { SEVERITY_MARKS } from '../../ui/Mark';
import { PanelLinks } from '../../ui/PanelLinks';
import { TextField } from '../../ui/TextField';

/** How each is said of an item that had it before it came. */
const DONE_WORDS: Readonly<Record<Need, string>> = {
  wash: 'washed',
  decontamination: 'decontaminated',
  wipe: 'wiped',
};

interface Props {
  /** Only what this panel lacks. */
  readonly only?: string;
}

/** Panels that are to be laid on without the wash, decontamination or wipe that needs, each with its ways out. */
export function NotReady({ only }: Props) {
  const { document, unready: all } = useJob('document', 'unready');
  const unready = all.filter(({ surface }) => only === undefined || surface === only);
  const came = document.prepare?.cameWith ?? [];
  if (unready.length === 0 && came.length === 0) return null;
  return (
    <Part title="Before anything is laid">
      <ul className="space-y-3">
        {unreadyMatters(unready).map(({ says, panels }) => (
          <NotReadyFor key={says} says={says} panels={panels} />
        ))}
        {came.map(({ need, says }) => (
          <CameWith key={need} need={need} says={says} />
        ))}
      </ul>
    </Part>
  );
}

function NotReadyFor({ says, panels }: { readonly says: string; readonly panels: readonly Unready[] }) {
  const { id, choose, edit, nameOf } = useJob('id', 'choose', 'edit', 'nameOf');
  const [saying, setSaying] = useState(false);
  const { icon: Icon, word, look } = SEVERITY_MARKS.stop;
  const [{ need }] = panels as [Unready, ...Unready[]];
  const leftOut = panels.filter(({ isLeftOut }) => isLeftOut);
  return (
    <li className={`border-l-4 px-3 py-2 ${look}`}>
      <p className="flex gap-2">
        <Icon size={18} className="mt-0.5 shrink-0" aria-hidden />
        <span className="text-ink">
          <strong className="sr-only">{word}: </strong>
          {says}
        </span>
      </p>
      <PanelLinks ids={panels.map(({ surface }) => surface)} nameOf={nameOf} onChoose={choose} />
      <p className="mt-2 flex flex-wrap items-center gap-2 pl-6.5">
        {leftOut.length > 0 && (
          <Button onClick={() => edit(doAfterAll(leftOut.flatMap(({ steps }) => steps)))}>Do it after all</Button>
        )}
        {!saying && <Button onClick={() => setSaying(true)}>It came {DONE_WORDS[need]}</Button>}
        <Link to="/shelf/preparation" className="text-[14px] underline">
          Cleaners
        </Link>
        <Link to={`/jobs/${id}/prepare`} className="text-[14px] underline">
          Site and steps
        </Link>
      </p>
      {saying && (
        <div className="mt-2 pl-6.5">
          <TextField
            label={`Who ${DONE_WORDS[need]} it, and when`}
            value=""
            onChange={(who) => edit(setCameWith(need, who))}
          />
        </div>
      )}
    </li>
  );
}

/** What is taken as done before it came, on whose word. */
function CameWith({ need, says }: { readonly need: Need; readonly says: string }) {
  const { edit } = useJob('edit');
  return (
    <li className="flex items-baseline justify-between gap-3 border-l-4 border-line-strong px-3 py-2">
      <span>
        Taken as {DONE_WORDS[need]}: {says}.
      </span>
      <Button look="quiet" onClick={() => edit(setCameWith(need, undefined))}>
        Take back
      </Button>
    </li>
  );
}
