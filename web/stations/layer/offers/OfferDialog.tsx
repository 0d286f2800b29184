import { useState } from 'react';
import { USUAL_ROUND_TO_MONEY, USUAL_VALID_DAYS } from '#core/choose/offers';
import { SUBSTRATES } from '#core/item/substrates';
import { LEVEL_DEFINITIONS, LEVELS } from '#core/prepare/stages';
import type { OfferRecord } from '#formats/choice';
import { errorText, useProductsQuery, useRemoveOfferMutation, useSaveOfferMutation } from '../../../app/api';
import { Button } from '../../../ui/Button';
import { ConfirmButton } from '../../../ui/ConfirmButton';
import { Dialog } from '../../../ui/Dialog';
import { NumberField } from '../../../ui/NumberField';
import { SelectField } from '../../../ui/SelectField';
import { TextField } from '../../../ui/TextField';

const percentFault = (value: number) => (value >= 0 && value <= 100 ? undefined : '0 to 100 %');
const asLines = (text: string) =>
  text
    .split('\n')
    .map((line) => line.trim().replace(/\.$/, ''))
    .filter((line) => line !== '');

/** An offer in its own words, with what is added to its price. */
export function OfferDialog({ record, onClose }: { readonly record: OfferRecord; readonly onClose: () => void }) {
  const { version } = record;
  const [offer, setOffer] = useState(record.offer);
  const [save, saving] = useSaveOfferMutation();
  const [remove, removing] = useRemoveOfferMutation();
  const { data: shelf = [] } = useProductsQuery();
  const names = new Map(shelf.map(({ id, sheet }) => [id, sheet.name]));
  const put = (changes: Partial<typeof offer>) => setOffer({ ...offer, ...changes });
  const failed = saving.error ?? removing.error;
  return (
    <Dialog
      title={version === 0 ? 'A new offer' : offer.name}
      description="It can be laid on any item; what the rules refuse there is left out."
      open
      onClose={onClose}
      wide
    >
      <div className="grid grid-cols-2 gap-3">
        <TextField label="Name" required value={offer.name} onChange={(name) => put({ name })} />
        <SelectField
          label="Correction"
          value={offer.level}
          options={LEVELS.map((level) => [level, LEVEL_DEFINITIONS[level].name] as const)}
          onChange={(level) => put({ level })}
        />
        <div className="col-span-2">
          <TextField label="In one sentence" value={offer.says} onChange={(says) => put({ says })} />
        </div>
        <TextField
          long
          label="Promised, a line each"
          value={offer.promised.join('\n')}
          onChange={(text) => put({ promised: asLines(text) })}
        />
        <TextField
          long
          label="Not promised, a line each"
          value={offer.notPromised.join('\n')}
          onChange={(text) => put({ notPromised: asLines(text) })}
        />
      </div>
      <div className="mt-3 grid grid-cols-3 gap-3">
        {(
          [
            ['wastePct', 'Waste on material'],
            ['marginPct', 'Margin'],
            ['taxPct', 'Tax'],
          ] as const
        ).map(([key, label]) => (
          <NumberField
            key={key}
            label={label}
            unit="%"
            value={offer[key]}
            check={percentFault}
            onChange={(value) => value !== undefined && put({ [key]: value })}
          />
        ))}
        <NumberField
          label="Total is a multiple of"
          value={(offer.roundToMoney ?? USUAL_ROUND_TO_MONEY) / 100}
          check={(value) => (value >= 0 && value <= 1000 ? undefined : '0 to 1,000')}
          onChange={(value) => value !== undefined && put({ roundToMoney: Math.round(value * 100) })}
        />
        <NumberField
          label="Valid for"
          unit="days"
          value={offer.validDays ?? USUAL_VALID_DAYS}
          check={(value) => (Number.isInteger(value) && value >= 1 && value <= 365 ? undefined : '1 to 365 days')}
          onChange={(value) => value !== undefined && put({ validDays: value })}
        />
      </div>
      <ul className="mt-3 text-[14px]" aria-label="Its stacks">
        {offer.lines.map(({ on, layers }) => (
          <li key={on.join()} className="border-t py-1">
            <span className="text-ink-2">{on.map((id) => SUBSTRATES[id].name.toLowerCase()).join(', ')}:</span>{' '}
            {layers.map(({ product }) => names.get(product) ?? product).join(', then ')}
          </li>
        ))}
      </ul>
      {failed && (
        <p role="alert" className="mt-3 border-l-4 border-stop bg-stop-soft px-3 py-2">
          {errorText(failed)}
        </p>
      )}
      <div className="mt-4 flex items-center justify-between">
        {version > 0 ? (
          <ConfirmButton
            action="Take it away"
            consequence="Jobs that took it keep their stacks."
            onConfirm={() => void remove({ id: record.id, version }).then(({ error }) => !error && onClose())}
          />
        ) : (
          <span />
        )}
        <Button
          look="main"
          onClick={() => void save({ id: offer.id, version, body: offer }).then(({ data }) => data && onClose())}
        >
          Save
        </Button>
      </div>
    </Dialog>
  );
}
