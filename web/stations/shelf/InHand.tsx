import { Link } from 'react-router';
import { type MethodId, METHODS } from '#core/products/methods';
import type { ShelfProduct } from '#formats/job';
import { errorText, useSetShopMutation } from '../../app/api';
import { NumberField } from '../../ui/NumberField';
import { amountIn } from '../../material/stock-words';

/** Further from the sheet than this, a learned factor is told. */
const WORTH_TELLING = 0.01;

const further = (factor: number, more: string, less: string): string | undefined =>
  Math.abs(factor - 1) < WORTH_TELLING
    ? undefined
    : `${Math.round(100 * Math.abs(factor - 1))} % ${factor > 1 ? more : less}`;

/** What is the shop's and not the maker's: what is in hand, how it is supplied, and what cues and weighings have taught. */
export function InHand({ product: { id, sheet, shop } }: { readonly product: ShelfProduct }) {
  const [setShop, { error }] = useSetShopMutation();
  const cue = further(shop.flashFactor, 'later', 'sooner');
  const paces = [
    further(shop.layFactor ?? 1, 'faster to lay', 'slower to lay'),
    further(shop.levelFactor ?? 1, 'faster to level', 'slower to level'),
  ].filter((said) => said !== undefined);
  const ways = Object.entries(shop.layByMethod ?? {}).flatMap(([method, times]) => {
    const said = further(times, 'faster', 'slower');
    return said ? [`${METHODS[method as MethodId].name.toLowerCase()} ${said}`] : [];
  });
  const use = further(shop.usageFactor, 'more', 'less');
  return (
    <section aria-label="In this shop" className="mt-4 border border-line-strong bg-sheet p-4">
      <h2 className="text-[17px] font-semibold">In this shop</h2>
      <p className="figure mt-2 text-2xl">{amountIn(sheet.unit, shop.onHand)}</p>
      <p className="text-[14px] text-ink-2">
        good and in hand{shop.batch && `, batch ${shop.batch} next`}.{' '}
        <Link to={`/stock?of=${encodeURIComponent(id)}`} className="underline">
          Bottle by bottle
        </Link>
      </p>
      <div className="mt-3 w-1/2">
        <NumberField
          label="Delivery takes"
          unit="days"
          value={shop.deliveryDays}
          check={(value) => (value >= 0 && value <= 365 ? undefined : '0 to 365 days')}
          onChange={(deliveryDays) => deliveryDays !== undefined && void setShop({ id, body: { deliveryDays } })}
        />
      </div>
      <p className="mt-3 text-[14px]">
        {cue ? `Its cue comes ${cue} here than the sheet says` : 'Its cue comes as the sheet says'}; the next patch ±{' '}
        {(100 * shop.flashSigma).toFixed(0)} %. {use ? `It takes ${use} than predicted` : 'It takes what is predicted'};
        the next job ± {(100 * shop.usageSigma).toFixed(0)} %.{' '}
        {paces.length > 0 && `Against its pace by the sheet, hands here are ${paces.join(', ')}.`}{' '}
        {ways.length > 0 && `Apart by the way it is laid: ${ways.join(', ')}.`}
      </p>
      {error && (
        <p role="alert" className="mt-2 text-[13px] text-stop">
          {errorText(error)}
        </p>
      )}
    </section>
  );
}
