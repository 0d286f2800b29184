import { useJob } from '../../job/job-context';
import { LAYING_SCHOOLS, type LayingSchools } from '#core/products/schools';
import { changeDocument } from '#job/edit';
import { layingSchools } from '#job/terms';
import { Part } from '../../job/Station';
import { SchoolField } from '../../ui/SchoolField';

const LABELS: Readonly<Record<keyof LayingSchools, string>> = {
  amount: 'Amount',
  pattern: 'Laid',
  wipe: 'Wiped',
  waxOff: 'Wax off',
  stroke: 'Stroke of the towel',
  section: 'Section',
  neighbours: 'Neighbouring panels',
  towels: 'Towels',
  windscreen: 'Windscreen',
  satinGloss: 'Gloss enhancer on satin',
  handover: 'Hand-over',
  firstWash: 'First wash',
  makersDays: 'The maker’s days',
  film: 'Film cut',
};

/** Where installers disagree about laying: each a setting of the job, with what it changes in figures. */
export function LayingSchoolsForm() {
  const { document, edit } = useJob('document', 'edit');
  const schools = layingSchools(document);
  const said = document.schools ?? { matte: 'fixed-early' as const };
  return (
    <Part title="Schools of laying">
      <div className="space-y-3">
        {(Object.keys(LABELS) as (keyof LayingSchools)[]).map((key) => (
          <SchoolField
            key={key}
            label={LABELS[key]}
            choices={LAYING_SCHOOLS[key] as Readonly<Record<string, { name: string; changes: string }>>}
            value={schools[key]}
            onChange={(next) => edit(changeDocument({ schools: { ...said, [key]: next } }))}
          />
        ))}
      </div>
    </Part>
  );
}
