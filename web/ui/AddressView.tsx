import { useSearchParams } from 'react-router';
import { Segmented } from './Segmented';

/** Which of some views is open, kept in the address; the first where it names none. */
export function useAddressView<T extends string>(views: readonly [T, ...T[]]): T {
  const [params] = useSearchParams();
  return views.find((view) => view === params.get('view')) ?? views[0];
}

interface Props<T extends string> {
  readonly label: string;
  readonly options: readonly [readonly [T, string], ...(readonly [T, string])[]];
}

/** Switches between them. */
export function AddressView<T extends string>({ label, options }: Props<T>) {
  const [, setParams] = useSearchParams();
  const [[usual]] = options;
  const views = options.map(([view]) => view) as [T, ...T[]];
  return (
    <Segmented
      label={label}
      value={useAddressView(views)}
      options={options}
      onChange={(view) =>
        setParams(
          (before) => {
            const next = new URLSearchParams(before);
            if (view === undefined || view === usual) next.delete('view');
            else next.set('view', view);
            return next;
          },
          { replace: true },
        )
      }
    />
  );
}
