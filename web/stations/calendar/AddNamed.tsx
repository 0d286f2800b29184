import { useState } from 'react';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/TextField';

/** Adds somebody, or something, by its name. */
export function AddNamed({ label, onAdd }: { readonly label: string; readonly onAdd: (name: string) => void }) {
  const [name, setName] = useState('');
  return (
    <form
      className="mt-2 flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() === '') return;
        onAdd(name.trim());
        setName('');
      }}
    >
      <TextField label={label} value={name} onChange={setName} />
      <Button type="submit">Add</Button>
    </form>
  );
}
