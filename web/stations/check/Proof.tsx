import { Gauge, Sparkles } from 'lucide-react';
import { useState } from 'react';
import { proofsOf } from '#core/check/checks';
import { gaugeReads } from '#core/survey/paint';
import { errorText, useTakeGlossMutation, useTakeThicknessMutation } from '../../app/api';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { um } from '../../ui/measures';
import { useTap } from '../../bay/useTap';

const said = (what: 'thickness' | 'gloss', value: number | undefined) =>
  value === undefined ? '–' : what === 'gloss' ? `${value.toFixed(1)} GU` : um(value);

/** Gloss above this is no surface, gloss units. */
const MOST_GU = 120;

/** What proves the work: thickness and gloss, read before and after. */
export function Proof() {
  const job = useJob('chosen', 'document', 'id', 'laid', 'nameOf', 'record');
  const { chosen, record, laid, document } = job;
  const { tap, settling } = useTap(job.id);
  const [gloss, { error: glossError }] = useTakeGlossMutation();
  const [thickness, { error: gaugeError }] = useTakeThicknessMutation();
  const [noMetal, setNoMetal] = useState(false);
  const proofs = proofsOf(record, new Map(document.surfaces.map(({ id, readingsUm }) => [id, readingsUm])));
  const nthOf = (what: 'thickness' | 'gloss') =>
    record.proofs.filter((reading) => reading.surface === chosen?.id && reading.what === what).length + 1;
  const readGloss = () =>
    chosen &&
    void gloss({
      body: { panel: chosen.id, substrate: chosen.substrate, worked: laid.has(chosen.id), nth: nthOf('gloss') },
    })
      .unwrap()
      .then(
        ({ gu, simulated }) =>
          tap({
            type: 'proof',
            surface: chosen.id,
            what: 'gloss',
            value: gu,
            source: simulated ? 'simulated' : 'instrument',
          }),
        () => undefined,
      );
  const readThickness = () => {
    if (!chosen) return;
    const { id: panel, substrate, body, paint } = chosen;
    void thickness({ body: { panel, substrate, paint, nth: nthOf('thickness'), ...(body && { body }) } })
      .unwrap()
      .then(
        ({ um: value, simulated }) => {
          setNoMetal(value === null);
          if (value === null) return;
          tap({
            type: 'proof',
            surface: panel,
            what: 'thickness',
            value,
            source: simulated ? 'simulated' : 'instrument',
          });
        },
        () => undefined,
      );
  };
  const error = glossError ?? gaugeError;
  return (
    <Part title="Measured">
      {chosen ? (
        <>
          <p className="mb-2">
            <strong>{job.nameOf(chosen.id)}</strong>
            {laid.has(chosen.id) ? '' : ', nothing laid yet: this counts as before'}
          </p>
          <div className="flex flex-wrap items-end gap-2">
            <Button glove disabled={settling || !gaugeReads(chosen)} onClick={readThickness}>
              <Gauge size={20} /> Gauge
            </Button>
            <Button glove disabled={settling} onClick={readGloss}>
              <Sparkles size={20} /> Gloss meter
            </Button>
            <NumberField
              label="or gloss at 60°, typed"
              unit="GU"
              optional
              value={undefined}
              check={(value) => (value < 0 || value > MOST_GU ? `a surface reads 0 to ${MOST_GU} GU` : undefined)}
              onChange={(value) =>
                value !== undefined && tap({ type: 'proof', surface: chosen.id, what: 'gloss', value, source: 'typed' })
              }
            />
          </div>
          {noMetal && <p className="mt-1 text-warn">No metal under the paint: the gauge reads nothing here.</p>}
          {error && (
            <p role="alert" className="mt-1 text-stop">
              {errorText(error)}
            </p>
          )}
        </>
      ) : (
        <p className="text-ink-2">Choose a panel on the net: gauge and gloss meter are read there, before and after.</p>
      )}
      {proofs.length > 0 && (
        <table className="mt-3 w-full text-[15px]" aria-label="Measured before and after">
          <thead>
            <tr className="text-left text-[13px] text-ink-2">
              <th className="font-normal">Panel</th>
              <th className="text-right font-normal">Before</th>
              <th className="text-right font-normal">After</th>
            </tr>
          </thead>
          <tbody>
            {proofs.map(({ surface, what, before, after, simulated }) => (
              <tr key={`${surface}/${what}`} className="border-t">
                <th scope="row" className="py-1 text-left font-normal">
                  {job.nameOf(surface)}, {what}
                  {simulated && <span className="text-[13px] text-ink-2"> (simulated)</span>}
                </th>
                <td className="text-right">{said(what, before)}</td>
                <td className="text-right font-semibold">{said(what, after)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Part>
  );
}
