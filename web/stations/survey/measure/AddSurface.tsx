import { useState } from 'react';
import { shapeAreaM2 } from '#core/item/geometry';
import type { SubstrateId } from '#core/item/substrates';
import type { Surface } from '#formats/job';
import { addSurface, blankSurface, freeId } from '#job/edit';
import { useJob } from '../../../job/job-context';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { SelectField } from '../../../ui/SelectField';
import { m2 } from '../../../ui/measures';
import { firstShape, ShapeForm } from './ShapeForm';
import { substrateOptions } from './MaterialPart';

/** A surface measured by tape: what it is called, made of, and its shape. */
export function AddSurface({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const { document, edit, choose } = useJob('choose', 'document', 'edit');
  const [name, setName] = useState('');
  const [substrate, setSubstrate] = useState<SubstrateId>('clear-gloss');
  const [shape, setShape] = useState<Surface['shape']>(firstShape('rectangle'));
  const add = () => {
    const id = freeId(name, document.surfaces);
    edit(addSurface(blankSurface({ id, name: name.trim(), substrate, shape, measuredBy: 'tape' })));
    choose(id);
    setName('');
    onClose();
  };
  return (
    <Dialog open={open} onClose={onClose} title="Add a surface by tape">
      <form
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim()) add();
        }}
      >
        <div>
          <label htmlFor="surface-name" className="label block">
            Name
          </label>
          <input
            id="surface-name"
            className="field"
            value={name}
            placeholder="Bonnet"
            onChange={({ target }) => setName(target.value)}
          />
        </div>
        <SelectField label="Made of" value={substrate} options={substrateOptions} onChange={setSubstrate} />
        <ShapeForm shape={shape} onChange={setShape} />
        <p className="text-ink-2">
          Area <strong className="figure text-ink">{m2(shapeAreaM2(shape))}</strong>
        </p>
        <Button look="main" type="submit" disabled={name.trim() === ''}>
          Add it
        </Button>
      </form>
    </Dialog>
  );
}
