import { Dialog } from '../ui/Dialog';

const KEYS = [
  [
    'Everywhere',
    [
      ['Ctrl K', 'jump to any item, job, panel, product, rule, station'],
      ['?', 'this sheet'],
      ['Esc', 'close what is open, or take back what is typed in a field'],
    ],
  ],
  [
    'In a job',
    [
      ['Ctrl Z', 'undo the last edit'],
      ['Ctrl Shift Z', 'redo it'],
    ],
  ],
  [
    'On the net',
    [
      ['← ↑ → ↓', 'walk from panel to panel'],
      ['Home, End', 'the first panel, the last'],
      ['Enter', 'put what is in hand on the panel'],
    ],
  ],
] as const;

/** Keys that do something, on one sheet. */
export default function Shortcuts({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} title="Keys">
      {KEYS.map(([where, keys]) => (
        <section key={where} className="mt-3 first:mt-0">
          <h3 className="label">{where}</h3>
          <dl className="mt-1 divide-y border-y">
            {keys.map(([key, does]) => (
              <div key={key} className="grid grid-cols-[9rem_1fr] gap-3 py-1.5">
                <dt className="font-semibold">{key}</dt>
                <dd className="text-ink-2">{does}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </Dialog>
  );
}
