import { errorText } from '../app/api';

/** What went wrong, with its remedy; nothing where nothing did. */
export function Fault({ error, className = '' }: { readonly error: unknown; readonly className?: string }) {
  return error === undefined ? null : (
    <p role="alert" className={`border-l-4 border-stop bg-stop-soft px-4 py-3 ${className}`}>
      {errorText(error)}
    </p>
  );
}
