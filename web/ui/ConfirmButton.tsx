import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Button } from './Button';
import { Dialog } from './Dialog';

interface Props {
  readonly action: string;
  /** What is lost by it, and what is not. */
  readonly consequence: string;
  readonly disabled?: boolean;
  readonly onConfirm: () => void;
}

/** Something that cannot be undone is asked about once more. */
export function ConfirmButton({ action, consequence, disabled = false, onConfirm }: Props) {
  const [asking, setAsking] = useState(false);
  return (
    <>
      <Button look="danger" disabled={disabled} onClick={() => setAsking(true)}>
        <Trash2 size={16} /> {action}
      </Button>
      <Dialog open={asking} onClose={() => setAsking(false)} title={`${action}?`} description={consequence}>
        <div className="flex gap-3">
          <Button
            look="danger"
            onClick={() => {
              setAsking(false);
              onConfirm();
            }}
          >
            {action}
          </Button>
          <Button onClick={() => setAsking(false)}>Keep it</Button>
        </div>
      </Dialog>
    </>
  );
}
