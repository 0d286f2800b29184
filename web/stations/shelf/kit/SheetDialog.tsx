import { useState } from 'react';
import type { KitSheet } from '#core/prepare/kit';
import { kitEntrySchema, kitSenseFaults } from '#formats/shelf';
import { errorText, useRemoveKitMutation, useSaveKitMutation } from '../../../app/api';
import { Button } from '../../../ui/Button';
import { ConfirmButton } from '../../../ui/ConfirmButton';
import { Dialog } from '../../../ui/Dialog';
import { NumberField } from '../../../ui/NumberField';
import { SelectField } from '../../../ui/SelectField';
import { TextField } from '../../../ui/TextField';
import { type Field, FIELDS, KIND_NAMES, type SheetKind, USUAL } from './fields';

interface Props {
  readonly kind: SheetKind;
  /** None: a new one. */
  readonly sheet?: KitSheet | undefined;
  readonly version: number;
  readonly onClose: () => void;
}

/** One sheet of the preparation shelf. */
export function SheetDialog({ kind, sheet, version, onClose }: Props) {
  const [values, setValues] = useState<Readonly<Record<string, unknown>>>(
    sheet ? { ...sheet } : { kind, name: '', ...USUAL[kind] },
  );
  const [fault, setFault] = useState<string>();
  const [save, saving] = useSaveKitMutation();
  const [remove, removing] = useRemoveKitMutation();
  const put = (key: string, value: unknown) => setValues({ ...values, [key]: value });
  const store = async () => {
    const { name } = values;
    const read = kitEntrySchema.safeParse({ ...values, id: sheet?.id ?? idFrom(String(name)) });
    if (!read.success) {
      return setFault(read.error.issues.map(({ path, message }) => `${labelOf(kind, path)}: ${message}`).join('; '));
    }
    const [nonsense] = kitSenseFaults(read.data);
    if (nonsense) return setFault(`${labelOf(kind, [nonsense.path])}: ${nonsense.message}`);
    setFault(undefined);
    const saved = await save({ id: read.data.id, version, body: read.data });
    if (saved.data) onClose();
  };
  const failed = saving.error ?? removing.error;
  return (
    <Dialog title={sheet?.name ?? `New ${KIND_NAMES[kind][0].toLowerCase()}`} open onClose={onClose} wide>
      <div className="grid grid-cols-2 gap-3">
        <TextField label="Name" required value={String(values.name ?? '')} onChange={(name) => put('name', name)} />
        <TextField label="Note" value={String(values.note ?? '')} onChange={(note) => put('note', note || undefined)} />
        {FIELDS[kind].map((field) => (
          <SheetField
            key={field.key}
            field={field}
            value={values[field.key]}
            onChange={(value) => put(field.key, value)}
          />
        ))}
      </div>
      {(fault || failed) && (
        <p role="alert" className="mt-3 border-l-4 border-stop bg-stop-soft px-3 py-2">
          {fault ? `Not saved. ${fault}.` : errorText(failed)}
        </p>
      )}
      <div className="mt-4 flex items-center justify-between gap-3">
        {sheet ? (
          <ConfirmButton
            action="Take it away"
            consequence="Steps that used it are planned by the usual figures again."
            onConfirm={() => void remove({ id: sheet.id, version }).then(({ error }) => !error && onClose())}
          />
        ) : (
          <span />
        )}
        <Button look="main" disabled={saving.isLoading} onClick={() => void store()}>
          Save
        </Button>
      </div>
    </Dialog>
  );
}

const idFrom = (name: string) =>
  name
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 64);

function labelOf(kind: SheetKind, path: readonly PropertyKey[]): string {
  const key = String(path[0]);
  return key === 'id' || key === 'name' ? 'Name' : (FIELDS[kind].find((field) => field.key === key)?.label ?? key);
}

interface FieldProps {
  readonly field: Field;
  readonly value: unknown;
  readonly onChange: (value: unknown) => void;
}

function SheetField({ field, value, onChange }: FieldProps) {
  switch (field.as) {
    case 'text':
      return <TextField label={field.label} value={String(value ?? '')} onChange={onChange} />;
    case 'number':
      return (
        <NumberField
          label={field.label}
          {...(field.unit && { unit: field.unit })}
          optional={field.optional ?? false}
          value={value as number | undefined}
          check={(number) => (number >= 0 ? undefined : 'not below 0')}
          onChange={onChange}
        />
      );
    case 'flag':
      return (
        <label className="flex min-h-9.5 items-center gap-2 self-end">
          <input
            type="checkbox"
            className="size-4 accent-(--over)"
            checked={value === true}
            onChange={({ target }) => onChange(target.checked)}
          />
          {field.label}
        </label>
      );
    case 'choice':
      return (
        <SelectField label={field.label} value={String(value ?? '')} options={field.options} onChange={onChange} />
      );
    case 'several': {
      const chosen = (value ?? []) as readonly string[];
      return (
        <fieldset className="col-span-2">
          <legend className="label">{field.label}</legend>
          <div className="grid grid-cols-3 gap-x-3">
            {field.options.map(([id, name]) => (
              <label key={id} className="flex min-h-7 items-center gap-2 text-[14px]">
                <input
                  type="checkbox"
                  className="size-4 accent-(--over)"
                  checked={chosen.includes(id)}
                  onChange={({ target }) =>
                    onChange(target.checked ? [...chosen, id] : chosen.filter((other) => other !== id))
                  }
                />
                {name}
              </label>
            ))}
          </div>
        </fieldset>
      );
    }
  }
}
