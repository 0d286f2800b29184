import { useForm } from 'react-hook-form';
import { Button } from '../ui/Button';
import { useChangePasswordMutation } from './api';
import { InputLine } from './InputLine';
import { Fault } from '../ui/Fault';

export const PASSWORD_HINT = 'At least 10 letters: three or four words that do not belong together.';

/** Another password of one's own. */
export function ChangePassword({ onDone }: { readonly onDone: () => void }) {
  const [change, { error, isLoading }] = useChangePasswordMutation();
  const { register, handleSubmit } = useForm({ defaultValues: { password: '', newPassword: '' } });
  const send = async (said: { password: string; newPassword: string }) => {
    if ((await change({ body: said })).data) onDone();
  };
  return (
    <form className="space-y-4" onSubmit={(event) => void handleSubmit(send)(event)}>
      <p className="text-ink-2">All your other devices are signed out by it.</p>
      <InputLine label="Your password now" type="password" autoComplete="current-password" {...register('password')} />
      <InputLine
        label="The new one"
        type="password"
        autoComplete="new-password"
        hint={PASSWORD_HINT}
        {...register('newPassword')}
      />
      <Fault error={error} />
      <Button look="main" type="submit" disabled={isLoading}>
        Change it
      </Button>
    </form>
  );
}
