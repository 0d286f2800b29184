import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props {
  readonly title: string;
  readonly description?: string | undefined;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly children: ReactNode;
  readonly wide?: boolean;
}

export function Dialog({ title, description, open, onClose, children, wide }: Props) {
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-[#06101699]" />
        <Radix.Content
          className={`fixed left-1/2 top-1/2 z-50 max-h-[90vh] w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-auto border border-line-strong bg-sheet p-6 ${wide ? 'max-w-3xl' : 'max-w-lg'}`}
          {...(description === undefined && { 'aria-describedby': undefined })}
        >
          <div className="flex items-start justify-between gap-4">
            <Radix.Title className="figure text-xl">{title}</Radix.Title>
            <Radix.Close className="-mr-2 -mt-1 p-2 text-ink-2 hover:text-ink" aria-label="Close">
              <X size={20} />
            </Radix.Close>
          </div>
          {description !== undefined && (
            <Radix.Description className="mt-1 text-ink-2">{description}</Radix.Description>
          )}
          <div className="mt-4">{children}</div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
