import { useState } from 'react';
import type { ShelfProduct } from '#formats/job';
import { errorText, useSetShopMutation } from '../../app/api';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { TextField } from '../../ui/TextField';

/** Further from the sheet than this, a learned factor is told. */
const WORTH_TELLING = 0.01;

/** What is the shop's and not the maker's: how much is in hand, of which batch, and what its cues have taught. */
export function InHand({ product: { id, sheet, shop } }: { readonly product: ShelfProduct }) {
  const [onHand, setOnHand] = useState(shop.onHand);
  const [batch, setBatch] = useState(shop.batch ?? '');
  const [setShop, { error, isLoading }] = useSetShopMutation();
  const same = onHand === shop.onHand && batch === (shop.batch ?? '');
  const percent = Math.round(100 * Math.abs(shop.flashFactor - 1));
  return (
    <section aria-label="In this shop" className="mt-4 border border-line-strong bg-sheet p-4">
      <h2 className="text-[17px] font-semibold">In this shop</h2>
      <p className="mt-1 text-[13px] text-ink-2">No part of the sheet: jobs to come take it along with it.</p>
      <div className="mt-3 grid grid-cols-2 gap-3">
        <NumberField
          label="In stock"
          unit={sheet.unit === 'm2' ? 'm²' : sheet.unit}
          value={onHand}
          check={(value) => (value >= 0 ? undefined : 'zero or more')}
          onChange={(value) => setOnHand(value ?? 0)}
        />
        <TextField label="Batch in use" value={batch} onChange={setBatch} />
      </div>
      <p className="mt-3 text-[14px]">
        {Math.abs(shop.flashFactor - 1) < WORTH_TELLING
          ? 'Its cue comes as the sheet says'
          : `Its cue comes ${percent} % ${shop.flashFactor < 1 ? 'sooner' : 'later'} here than the sheet says`}
        ; the next patch ± {(100 * shop.flashSigma).toFixed(0)} %.
      </p>
      {error && (
        <p role="alert" className="mt-2 text-[13px] text-stop">
          {errorText(error)}
        </p>
      )}
      <Button
        className="mt-3"
        disabled={same || isLoading}
        onClick={() => void setShop({ id, figures: { onHand, batch: batch.trim() || undefined } })}
      >
        Note it
      </Button>
    </section>
  );
}
