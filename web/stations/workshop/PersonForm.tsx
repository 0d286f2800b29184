import { useForm } from 'react-hook-form';
import type { Person, PersonDraft, Role } from '#formats/people';
import { useSavePersonMutation } from '../../people/api';
import { PASSWORD_HINT } from '../../people/ChangePassword';
import { InputLine } from '../../people/InputLine';
import { Button } from '../../ui/Button';
import { Fault } from '../../ui/Fault';

export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  owner: 'Owner: everything',
  installer: 'Installer: jobs, the bay, stock',
  helper: 'Helper: runs and ticks',
};

interface Said {
  readonly name: string;
  readonly role: Role;
  readonly password: string;
  readonly pin: string;
}

/** One person: what they are called, what they may do, how they come in. */
export function PersonForm({ person, onDone }: { readonly person: Person; readonly onDone: () => void }) {
  const [save, { error, isLoading }] = useSavePersonMutation();
  const { register, handleSubmit } = useForm<Said>({
    defaultValues: { name: person.name, role: person.role, password: '', pin: '' },
  });
  const isNew = person.name === '';
  const send = async (draft: PersonDraft) => {
    if ((await save({ id: person.id, body: draft })).data) onDone();
  };
  const said = ({ name, role, password, pin }: Said): PersonDraft => ({
    name,
    role,
    ...(password !== '' && { password }),
    ...(pin !== '' && { pin }),
  });
  return (
    <form className="space-y-4" onSubmit={(event) => void handleSubmit((form) => send(said(form)))(event)}>
      <InputLine label="Name" autoComplete="off" {...register('name')} />
      <fieldset>
        <legend className="label">May</legend>
        {(Object.keys(ROLE_WORDS) as Role[]).map((role) => (
          <label key={role} className="flex min-h-9 items-center gap-3">
            <input type="radio" value={role} {...register('role')} /> {ROLE_WORDS[role]}
          </label>
        ))}
      </fieldset>
      <InputLine
        label={person.hasPin ? 'Another PIN' : 'PIN'}
        inputMode="numeric"
        autoComplete="off"
        hint="4 to 8 digits, not all alike or in a row; empty: it stays as it is."
        {...register('pin')}
      />
      <InputLine
        label={person.hasPassword ? 'Another password' : 'Password'}
        type="password"
        autoComplete="new-password"
        hint={`${PASSWORD_HINT} Empty: it stays as it is.`}
        {...register('password')}
      />
      <Fault error={error} />
      <div className="flex flex-wrap gap-3">
        <Button look="main" type="submit" disabled={isLoading}>
          {isLoading ? 'Keeping …' : 'Keep'}
        </Button>
        {!isNew && (
          <Button
            look={person.leftAt === null ? 'danger' : 'plain'}
            disabled={isLoading}
            onClick={() => void send({ name: person.name, role: person.role, hasLeft: person.leftAt === null })}
          >
            {person.leftAt === null ? 'Has left the workshop' : 'Is back'}
          </Button>
        )}
      </div>
    </form>
  );
}
