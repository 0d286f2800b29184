import { useState } from 'react';
import type { Surface } from '#formats/job';
import { enterEvidence, type EvidenceName, evidenceScopes, gives, type SharedEvidence } from '#job/edit';
import { useJob } from '../../../job/job-context';
import { Segmented } from '../../../ui/Segmented';
import { NumberField } from '../../../ui/NumberField';
import { SelectField } from '../../../ui/SelectField';
import { HARDNESS_OPTIONS, PAINT_OPTIONS } from '../measure/PaintPart';
import { LabelledRow, TriedFields } from './TriedFields';

/** What all of some surfaces have alike; undefined where they differ, or none of them can give it. */
function shared<Name extends EvidenceName>(surfaces: readonly Surface[], name: Name): SharedEvidence[Name] | undefined {
  const able = surfaces.filter((surface) => gives(surface, name));
  const [first] = able;
  const text = JSON.stringify(first?.[name]);
  return first && able.every((surface) => JSON.stringify(surface[name]) === text) ? first[name] : undefined;
}

/** Evidence that holds for many panels, entered once: for the whole item, a side, or all of one material. */
export function EvidenceForMany() {
  const { document, edit } = useJob('document', 'edit');
  const [scopeId, setScope] = useState<string>('all');
  const scopes = evidenceScopes(document.surfaces);
  const { surfaces } = scopes.find(({ id }) => id === scopeId) ?? scopes[0]!;
  const enter = (changes: SharedEvidence) =>
    edit(
      enterEvidence(
        surfaces.map(({ id }) => id),
        changes,
      ),
    );
  const history = shared(surfaces, 'existing');
  const paint = surfaces.some((surface) => gives(surface, 'paint'));
  return (
    <div className="space-y-3">
      <SelectField
        label="For"
        value={scopeId}
        options={scopes.map(({ id, name, surfaces: own }) => [id as string, `${name}, ${own.length}`] as const)}
        onChange={setScope}
      />
      <TriedFields
        evidence={{
          touch: shared(surfaces, 'touch'),
          iron: shared(surfaces, 'iron'),
          water: shared(surfaces, 'water'),
        }}
        onChange={enter}
      />
      <LabelledRow label="What is on it">
        <Segmented
          label="What is on all of them"
          value={history?.length === 0 ? 'bare' : history?.join() === 'unknown' ? 'unknown' : undefined}
          options={[
            ['bare', 'Bare'],
            ['unknown', 'Unknown'],
          ]}
          onChange={(now) => enter({ existing: now === 'unknown' ? ['unknown'] : [] })}
        />
      </LabelledRow>
      {paint && (
        <div className="grid grid-cols-2 gap-3">
          <SelectField
            label="Hardness, all paint"
            value={shared(surfaces, 'hardness')?.grade ?? ''}
            options={[['', 'mixed, or not known'], ...HARDNESS_OPTIONS]}
            onChange={(grade) => enter({ hardness: grade ? { grade, by: 'told' } : undefined })}
          />
          <SelectField
            label="Paint system, all paint"
            value={shared(surfaces, 'paint') ?? ''}
            options={[['', 'mixed'], ...PAINT_OPTIONS]}
            onChange={(system) => system && enter({ paint: system })}
          />
          <NumberField
            optional
            label="Clear coat, all paint"
            unit="µm"
            value={shared(surfaces, 'clearUm')}
            check={(value) => (value >= 0 && value < 2000 ? undefined : '0 to 2000 µm')}
            onChange={(clearUm) => enter({ clearUm })}
          />
        </div>
      )}
    </div>
  );
}
