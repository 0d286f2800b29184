import type { ReactNode } from 'react';

export interface FactRow {
  readonly key: string;
  /** What the row is about. */
  readonly name: ReactNode;
  /** One for each further column. */
  readonly cells: readonly ReactNode[];
}

interface Props {
  /** The heading of the names, then those of the figures, which stand to the right. */
  readonly columns: readonly [name: string, ...figures: string[]];
  readonly rows: readonly FactRow[];
}

/** A small table of figures in a side panel: a name a row, its figures beside it. */
export function FactTable({ columns: [nameColumn, ...figures], rows }: Props) {
  return (
    <table className="w-full text-[14px]">
      <thead className="label text-left">
        <tr>
          <th scope="col" className="font-normal">
            {nameColumn}
          </th>
          {figures.map((figure) => (
            <th key={figure} scope="col" className="text-right font-normal">
              {figure}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ key, name, cells }) => (
          <tr key={key} className="border-t">
            <th scope="row" className="py-1 text-left font-normal">
              {name}
            </th>
            {cells.map((cell, index) => (
              <td key={index} className="text-right">
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A panel's name that leads to it on the net. */
export function PanelName({ children, onChoose }: { readonly children: ReactNode; readonly onChoose: () => void }) {
  return (
    <button type="button" className="hover:text-over hover:underline" onClick={onChoose}>
      {children}
    </button>
  );
}
