import { useState } from 'react';
import { IRON_TESTS, TOUCHES, WATER_BEHAVIOURS } from '#core/survey/condition';
import type { Surface } from '#formats/job';
import { enterEvidence, type EvidenceName, evidenceScopes, gives, type SharedEvidence } from '#job/edit';
import { useJob } from '../../../job/job-context';
import { Segmented } from '../../../ui/Segmented';
import { NumberField } from '../../../ui/NumberField';
import { SelectField } from '../../../ui/SelectField';

const HARDNESS = [
  ['', 'mixed, or not known'],
  ['soft', 'Soft'],
  ['medium', 'Medium'],
  ['hard', 'Hard'],
  ['very-hard', 'Very hard'],
] as const;
const PAINT = [
  ['', 'mixed'],
  ['factory', 'Factory'],
  ['refinished', 'Refinished'],
  ['single-stage', 'Single stage'],
] as const;

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
  const enter = <Name extends EvidenceName>(name: Name, value: SharedEvidence[Name]) =>
    edit(
      enterEvidence(
        surfaces.map(({ id }) => id),
        name,
        value,
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
      <Row label="Fingertip">
        <Segmented
          optional
          label="Fingertip, all of them"
          value={shared(surfaces, 'touch')}
          options={TOUCHES.map((id) => [id, id === 'smooth' ? 'Smooth' : 'Rough'] as const)}
          onChange={(touch) => enter('touch', touch)}
        />
      </Row>
      <Row label="Iron test">
        <Segmented
          optional
          label="Iron test, all of them"
          value={shared(surfaces, 'iron')}
          options={IRON_TESTS.map((id) => [id, id === 'clear' ? 'Clear' : 'Bleeds purple'] as const)}
          onChange={(iron) => enter('iron', iron)}
        />
      </Row>
      <Row label="Water">
        <Segmented
          optional
          label="Water, all of them"
          value={shared(surfaces, 'water')}
          options={WATER_BEHAVIOURS.map((id) => [id, id === 'sheets' ? 'Sheets' : 'Beads'] as const)}
          onChange={(water) => enter('water', water)}
        />
      </Row>
      <Row label="What is on it">
        <Segmented
          label="What is on all of them"
          value={history?.length === 0 ? 'bare' : history?.join() === 'unknown' ? 'unknown' : undefined}
          options={[
            ['bare', 'Bare'],
            ['unknown', 'Unknown'],
          ]}
          onChange={(now) => enter('existing', now === 'unknown' ? ['unknown'] : [])}
        />
      </Row>
      {paint && (
        <div className="grid grid-cols-2 gap-3">
          <SelectField
            label="Hardness, all paint"
            value={shared(surfaces, 'hardness')?.grade ?? ''}
            options={HARDNESS}
            onChange={(grade) => enter('hardness', grade ? { grade, by: 'told' } : undefined)}
          />
          <SelectField
            label="Paint system, all paint"
            value={shared(surfaces, 'paint') ?? ''}
            options={PAINT}
            onChange={(system) => system && enter('paint', system)}
          />
          <NumberField
            optional
            label="Clear coat, all paint"
            unit="µm"
            value={shared(surfaces, 'clearUm')}
            check={(value) => (value >= 0 && value < 2000 ? undefined : '0 to 2000 µm')}
            onChange={(um) => enter('clearUm', um)}
          />
        </div>
      )}
    </div>
  );
}

function Row({ label, children }: { readonly label: string; readonly children: React.ReactNode }) {
  return (
    <div className="flex items-center justify-between gap-3">
      <span className="text-[14px]">{label}</span>
      {children}
    </div>
  );
}
