import { useForm } from 'react-hook-form';
import { Button } from '../ui/Button';
import { useSignInMutation } from './api';
import { InputLine } from './InputLine';
import { Fault } from '../ui/Fault';
import { PageTitle } from '../ui/PageTitle';

/** Coming in at a desk, by name and password. */
export function SignIn() {
  const [signIn, { error, isLoading }] = useSignInMutation();
  const { register, handleSubmit } = useForm({ defaultValues: { name: '', password: '' } });
  return (
    <main className="mx-auto flex h-full max-w-md flex-col justify-center px-6 py-10">
      <PageTitle>Who is it?</PageTitle>
      <h1 className="figure text-3xl">Who is it?</h1>
      <p className="mt-2 text-ink-2">What is entered here stands under your name.</p>
      <form className="mt-6 space-y-4" onSubmit={(event) => void handleSubmit((body) => signIn({ body }))(event)}>
        <InputLine label="Name" autoComplete="username" autoFocus {...register('name')} />
        <InputLine label="Password" type="password" autoComplete="current-password" {...register('password')} />
        <Fault error={error} />
        <Button look="main" type="submit" glove disabled={isLoading} className="w-full">
          {isLoading ? 'Looking …' : 'Come in'}
        </Button>
      </form>
      <p className="mt-6 text-[14px] text-ink-2">
        A tablet of the shop? Open{' '}
        <a className="text-over underline" href="/pair">
          Pair this device
        </a>{' '}
        and type the code the desk shows. Nobody can come in any more? Whoever is at the server’s machine finds the
        remedy in the guide.
      </p>
    </main>
  );
}
