import { PARKING_IDS, WASH_IDS } from '#core/layers/life';
import type { MatteSchool } from '#core/item/substrates';
import { AHEAD_SCHOOLS, aheadOf, type AheadSchool } from '#core/plan/job';
import { CREW_MODES, type CrewMode } from '#core/plan/sections';
import { changeDocument, changeOwner } from '#job/edit';
import { Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { LayingSchoolsForm } from './LayingSchoolsForm';
import { PeopleForm } from './PeopleForm';
import { NumberField } from '../../ui/NumberField';
import { SelectField } from '../../ui/SelectField';

const MODES: Readonly<Record<CrewMode, string>> = {
  solo: 'One person lays and levels',
  pair: 'Two people, each lays and levels',
};
const AHEAD: Readonly<Record<AheadSchool, string>> = {
  safe: 'Back to each section as soon as it opens',
  quick: 'On until one more would be late: shorter, and no slack',
};
const SCHOOLS: Readonly<Record<MatteSchool, string>> = {
  'fixed-early': 'At a fixed early moment: a fifth of the gloss time',
  'keep-wet': 'While still wet: within four fifths of the cue',
};
const PARKING = { indoor: 'Indoors', covered: 'Under cover', street: 'On the street', coastal: 'By the sea' } as const;
const WASH = { hand: 'By hand', rinseless: 'Rinseless', touchless: 'Touchless', brush: 'Brush tunnel' } as const;

const paceFault = (value: number) => (value > 0 && value <= 10 ? undefined : 'more than 0, at most 10 m²/min');

/** Whose hands, at what pace; and how the item lives afterwards. */
export function CrewForm() {
  const { document, edit } = useJob('document', 'edit');
  const { crew, schools, owner } = document;
  const change = (changes: Partial<typeof crew>) => edit(changeDocument({ crew: { ...crew, ...changes } }));
  return (
    <>
      <Part title="Hands">
        <SelectField
          label="Crew"
          value={crew.mode}
          options={CREW_MODES.map((mode) => [mode, MODES[mode]] as const)}
          onChange={(mode) => change({ mode })}
        />
        <div className="mt-3">
          <SelectField
            label="Working ahead"
            value={aheadOf(crew)}
            options={AHEAD_SCHOOLS.map((school) => [school, AHEAD[school]] as const)}
            onChange={(ahead) => change({ ahead })}
          />
        </div>
        <div className="mt-3 grid grid-cols-2 gap-3">
          <NumberField
            label="Lays"
            unit="m²/min"
            value={crew.layM2PerMin}
            check={paceFault}
            onChange={(v) => v && change({ layM2PerMin: v })}
          />
          <NumberField
            label="Levels"
            unit="m²/min"
            value={crew.levelM2PerMin}
            check={paceFault}
            onChange={(v) => v && change({ levelM2PerMin: v })}
          />
        </div>
        <PeopleForm />
        <div className="mt-3">
          <NumberField
            label="Guard on either side of a window, sigmas"
            value={crew.guardSigma}
            hint="1.28 leaves one patch in ten outside on each side; more makes sections smaller and surer"
            check={(value) => (value >= 0 && value <= 4 ? undefined : '0 to 4')}
            onChange={(guardSigma) => guardSigma !== undefined && change({ guardSigma })}
          />
        </div>
        <div className="mt-3">
          <SelectField
            label="Matte is levelled"
            value={schools?.matte ?? 'fixed-early'}
            options={Object.entries(SCHOOLS) as [MatteSchool, string][]}
            onChange={(matte) => edit(changeDocument({ schools: { ...schools, matte } }))}
          />
        </div>
      </Part>
      <LayingSchoolsForm />
      <Part title="How the item lives">
        <div className="grid grid-cols-2 gap-3">
          <SelectField
            label="Parked"
            value={owner?.parking ?? 'covered'}
            options={PARKING_IDS.map((id) => [id, PARKING[id]] as const)}
            onChange={(parking) => edit(changeOwner({ parking }))}
          />
          <SelectField
            label="Washed"
            value={owner?.wash ?? 'hand'}
            options={WASH_IDS.map((id) => [id, WASH[id]] as const)}
            onChange={(wash) => edit(changeOwner({ wash }))}
          />
        </div>
      </Part>
    </>
  );
}
