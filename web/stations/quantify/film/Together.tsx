import { skipToken } from '@reduxjs/toolkit/query';
import { useState } from 'react';
import type { CutterId } from '#core/film/cutters';
import type { Nested, NestPiece } from '#core/film/nest';
import { type FilmWork, filmWork, nestCaseOf } from '#job/film';
import { useJobQuery, useJobsOfTheDayQuery } from '../../../app/api';
import { Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import { Button } from '../../../ui/Button';
import { SelectField } from '../../../ui/SelectField';
import { useNest } from './useNest';

/** Each of the three is nested for so long, s. */
const EACH_S = 6;

interface Props {
  readonly work: FilmWork;
  readonly cutter: CutterId;
}

/** Whether another job's film and this one's, nested together, take less of the roll than each by itself. */
export function Together({ work: { product, pieces, widthMm }, cutter }: Props) {
  const job = useJob('id');
  const { data: jobs = [] } = useJobsOfTheDayQuery();
  const [other, setOther] = useState('');
  const { data: record } = useJobQuery(other === '' ? skipToken : { id: other });
  const [found, setFound] = useState<readonly (Nested | undefined)[]>([]);
  const { state, start, stop } = useNest(setFound);
  const others = jobs.filter(({ id }) => id !== job.id);
  if (others.length === 0) return null;
  const theirs = record
    ? filmWork(record.document, () => widthMm).find((each) => each.product.id === product.id)?.pieces
    : undefined;
  const named = (own: readonly NestPiece[], whose: string) =>
    own.map((each) => ({ ...each, id: `${whose} ${each.id}` }));
  const begin = (their: readonly NestPiece[]) => {
    const nestOf = (own: readonly NestPiece[]) => nestCaseOf({ pieces: own }, { widthMm, cutter });
    const both = [...named(pieces, 'this'), ...named(their, 'other')];
    start({ cases: [nestOf(pieces), nestOf(their), nestOf(both)], seconds: EACH_S });
  };
  const [one, two, both] = state.working ? [] : found;
  const savedMm = one && two && both ? one.lengthMm + two.lengthMm - both.lengthMm : undefined;
  return (
    <Part title="With another job on one roll">
      <SelectField
        label="Other job"
        value={other}
        options={[['', 'None'], ...others.map(({ id, title }): [string, string] => [id, title])]}
        onChange={(value) => {
          setOther(value);
          setFound([]);
        }}
      />
      {other !== '' && record && !theirs && <p className="mt-2 text-ink-2">It takes none of {product.name}.</p>}
      {theirs && (
        <div className="mt-2">
          <Button onClick={() => (state.working ? stop() : begin(theirs))}>
            {state.working ? 'Stop' : 'Nest both together'}
          </Button>
        </div>
      )}
      {savedMm !== undefined && (
        <p role="status" className="mt-2">
          {savedMm > 0
            ? `Together ${(both!.lengthMm / 1000).toFixed(2)} m, ${(savedMm / 1000).toFixed(2)} m less than each by itself.`
            : 'No less than each by itself.'}
        </p>
      )}
    </Part>
  );
}
