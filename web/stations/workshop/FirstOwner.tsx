import { useForm } from 'react-hook-form';
import { useFirstOwnerMutation } from '../../people/api';
import { PASSWORD_HINT } from '../../people/ChangePassword';
import { InputLine } from '../../people/InputLine';
import { Button } from '../../ui/Button';
import { Fault } from '../../ui/Fault';

/** The first account: until there is one, everybody at this machine may do everything. */
export function FirstOwner() {
  const [make, { error, isLoading }] = useFirstOwnerMutation();
  const { register, handleSubmit } = useForm({ defaultValues: { name: '', password: '' } });
  return (
    <section className="mt-6 grid gap-8 md:grid-cols-2">
      <div className="text-ink-2">
        <p className="text-lg text-ink">Nobody has an account: everybody at this machine may do everything.</p>
        <p className="mt-3">
          With the first one, its owner’s, everybody says who they are. Then what is laid stands under who laid it, and
          the workshop can be opened to tablets in the bays.
        </p>
      </div>
      <form
        className="space-y-4 border border-line-strong bg-sheet p-5"
        onSubmit={(event) => void handleSubmit((body) => make({ body }))(event)}
      >
        <h2 className="text-lg font-semibold">Make the owner’s account</h2>
        <InputLine label="Your name" autoComplete="username" {...register('name')} />
        <InputLine
          label="Password"
          type="password"
          autoComplete="new-password"
          hint={PASSWORD_HINT}
          {...register('password')}
        />
        <Fault error={error} />
        <Button look="main" type="submit" disabled={isLoading}>
          Make it
        </Button>
      </form>
    </section>
  );
}
