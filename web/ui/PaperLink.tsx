import { FileText } from 'lucide-react';
import type { ReactNode } from 'react';

/** A document on paper, opened beside the application. */
export function PaperLink({ href, children }: { readonly href: string; readonly children: ReactNode }) {
  return (
    <a
      className="inline-flex min-h-9.5 items-center gap-2 rounded border border-line-strong bg-sheet px-3.5 hover:bg-tint-1"
      href={href}
      target="_blank"
      rel="noreferrer"
    >
      <FileText size={16} /> {children}
    </a>
  );
}
