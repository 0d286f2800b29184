import { Plus } from 'lucide-react';
import { useState } from 'react';
import type { KitSheet } from '#core/prepare/kit';
import { isSheet } from '#formats/shelf';
import { errorText, useKitQuery } from '../../../app/api';
import { Button } from '../../../ui/Button';
import { ShelfTabs } from '../ShelfTabs';
import { SheetDialog } from './SheetDialog';
import { Things } from './Things';
import { inShort, KIND_NAMES, SHEET_KINDS, type SheetKind } from './fields';

interface Editing {
  readonly kind: SheetKind;
  readonly sheet?: KitSheet;
  readonly version: number;
}

/** What the workshop prepares with: sheets, and the pads and machines in hand. */
export function Component() {
  const { data: records, error } = useKitQuery();
  const [editing, setEditing] = useState<Editing>();
  const sheets = (records ?? []).flatMap(({ version, entry }) => (isSheet(entry) ? [{ version, sheet: entry }] : []));
  const ofKind = <K extends SheetKind>(kind: K) =>
    sheets.flatMap(({ sheet }) => (sheet.kind === kind ? [sheet as Extract<KitSheet, { kind: K }>] : []));
  return (
    <main className="mx-auto max-w-6xl px-6 py-6">
      <ShelfTabs />
      {error && (
        <p role="alert" className="mt-5 border-l-4 border-stop bg-stop-soft px-4 py-3">
          {errorText(error)}
        </p>
      )}
      {records && (
        <div className="mt-4 grid grid-cols-1 gap-8 lg:grid-cols-[1.1fr_1fr]">
          <div>
            <Things records={records} pads={ofKind('pad')} machines={ofKind('machine')} liquids={ofKind('liquid')} />
          </div>
          <div>
            {SHEET_KINDS.map((kind) => (
              <section key={kind} aria-label={KIND_NAMES[kind][1]} className="mb-5">
                <div className="flex items-center justify-between">
                  <h2 className="label">{KIND_NAMES[kind][1]}</h2>
                  <Button
                    look="quiet"
                    aria-label={`New ${KIND_NAMES[kind][0].toLowerCase()}`}
                    onClick={() => setEditing({ kind, version: 0 })}
                  >
                    <Plus size={16} />
                  </Button>
                </div>
                <ul className="divide-y border-y bg-sheet">
                  {sheets
                    .filter(({ sheet }) => sheet.kind === kind)
                    .map(({ sheet, version }) => (
                      <li key={sheet.id}>
                        <button
                          type="button"
                          className="block w-full px-4 py-2 text-left hover:bg-tint-1"
                          onClick={() => setEditing({ kind, sheet, version })}
                        >
                          <strong>{sheet.name}</strong>
                          <span className="block text-[13.5px] text-ink-2">{inShort(sheet)}</span>
                        </button>
                      </li>
                    ))}
                  {ofKind(kind).length === 0 && (
                    <li className="px-4 py-2 text-[14px] text-ink-2">None: planned by the usual figures.</li>
                  )}
                </ul>
              </section>
            ))}
          </div>
        </div>
      )}
      {editing && (
        <SheetDialog
          key={`${editing.kind} ${editing.sheet?.id ?? ''}`}
          {...editing}
          onClose={() => setEditing(undefined)}
        />
      )}
    </main>
  );
}
