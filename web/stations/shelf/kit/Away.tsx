import type { KitRecord } from '#formats/shelf';
import { errorText, useRemoveKitMutation } from '../../../app/api';
import { ConfirmButton } from '../../../ui/ConfirmButton';
import { Dialog } from '../../../ui/Dialog';

/** Taking a worn pad or a machine away. */
export function Away({ record, onClose }: { readonly record: KitRecord; readonly onClose: () => void }) {
  const [remove, { error }] = useRemoveKitMutation();
  const { id, version } = record;
  return (
    <Dialog title={id} open onClose={onClose}>
      {error && (
        <p role="alert" className="mb-3 border-l-4 border-stop bg-stop-soft px-3 py-2">
          {errorText(error)}
        </p>
      )}
      <ConfirmButton
        action="Take it away"
        consequence="Worn out or gone: it is counted no more."
        onConfirm={() => void remove({ id, version }).then((done) => !done.error && onClose())}
      />
    </Dialog>
  );
}
