import { CARE_KINDS, type CareKind, careDaysOf } from '#core/care/upkeep';
import { warrantyLines, withCover } from '#job/handover';
import { changeDocument } from '#job/edit';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { DateField } from '../../ui/DateField';
import { NumberField } from '../../ui/NumberField';
import { TextField } from '../../ui/TextField';

const MOST_MONTHS = 240;
const months = (value: number): string => `${value.toFixed(0)} ${value.toFixed(0) === '1' ? 'month' : 'months'}`;

/** What the workshop itself grants on what was laid: its own term for each product, its conditions, or nothing. */
export function Warranty() {
  const { document, edit, standing } = useJob('document', 'edit', 'standing');
  const { warranty } = document;
  const lines = warrantyLines(document, standing);
  const change = (changes: Partial<NonNullable<typeof warranty>>) =>
    warranty && edit(changeDocument({ warranty: { ...warranty, ...changes } }));
  return (
    <Part title="Warranty of the workshop">
      {lines.length === 0 && <p className="text-ink-2">Nothing is applied yet that could be warranted.</p>}
      <ul>
        {lines.map(({ product, name, ratedMonths, expectedMonths, grantedMonths, isLonger }) => (
          <li key={product} className="border-t py-2 first:border-t-0">
            <NumberField
              optional
              label={`${name}, granted for`}
              unit="months"
              value={grantedMonths}
              check={(value) => (value > 0 && value <= MOST_MONTHS ? undefined : `1 to ${MOST_MONTHS} months`)}
              onChange={(granted) => edit(changeDocument({ warranty: withCover(warranty, product, granted) }))}
            />
            <p className="mt-1 text-[14px] text-ink-2">
              Expected here: {months(expectedMonths)}
              {ratedMonths !== undefined && `; rated by its maker: ${months(ratedMonths)}`}
            </p>
            {isLonger && (
              <p role="note" className="mt-1 border-l-4 border-warn bg-warn-soft px-3 py-1.5">
                Granted for longer than it is expected to last on this item.
              </p>
            )}
          </li>
        ))}
      </ul>
      {lines.length > 0 && !warranty && (
        <p className="mt-1 text-ink-2">No warranty is granted. The passport says so by leaving it out.</p>
      )}
      {warranty && (
        <div className="mt-3 space-y-3">
          <div className="grid grid-cols-2 gap-3">
            <TextField
              label="Warranty number"
              value={warranty.number ?? ''}
              onChange={(number) => change({ number: number.trim() || undefined })}
            />
            <DateField
              label="Registered with the maker"
              value={warranty.registeredOn ?? ''}
              onChange={(day) => change({ registeredOn: day || undefined })}
            />
          </div>
          <TextField
            long
            label="Conditions, one a line"
            value={warranty.conditions.join('\n')}
            onChange={(text) =>
              change({
                conditions: text
                  .split('\n')
                  .map((line) => line.trim())
                  .filter((line) => line !== ''),
              })
            }
          />
        </div>
      )}
    </Part>
  );
}

const CARE_WORDS: Readonly<Record<CareKind, string>> = {
  wash: 'Wash',
  topper: 'Topper',
  booster: 'Booster of the maker',
  inspection: 'Inspection',
};
const MOST_DAYS = 3650;

/** How often the item is looked after: by the sheets of what is on it, or as agreed for this job. */
export function CareIntervals() {
  const { document, edit, standing } = useJob('document', 'edit', 'standing');
  const bySheet = careDaysOf(standing);
  const { care = {} } = document;
  return (
    <Part title="Care intervals">
      <div className="grid grid-cols-2 gap-3">
        {CARE_KINDS.map((kind) => (
          <NumberField
            key={kind}
            optional
            label={CARE_WORDS[kind]}
            unit="days"
            value={care[kind]}
            hint={bySheet[kind] === undefined ? 'none on the data sheets' : `${bySheet[kind]} unless agreed otherwise`}
            check={(value) => (value >= 1 && value <= MOST_DAYS ? undefined : `1 to ${MOST_DAYS} days`)}
            onChange={(days) => {
              const changed = { ...care, [kind]: days };
              const isAgreed = Object.values(changed).some((each) => each !== undefined);
              edit(changeDocument({ care: isAgreed ? changed : undefined }));
            }}
          />
        ))}
      </div>
    </Part>
  );
}
