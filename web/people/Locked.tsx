import { SwitchPerson } from './SwitchPerson';
import { PageTitle } from '../ui/PageTitle';

/** A tablet of the shop at which nobody is. */
export function Locked({ tablet }: { readonly tablet: string }) {
  return (
    <main className="mx-auto h-full max-w-4xl overflow-auto px-6 py-8">
      <p className="label">{tablet}</p>
      <PageTitle>Who is at it?</PageTitle>
      <h1 className="figure mb-6 text-3xl">Who is at it?</h1>
      <SwitchPerson />
    </main>
  );
}
