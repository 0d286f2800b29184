import { shapeShortSideM } from '#core/item/geometry';
import { substrateFactors } from '#core/item/substrates';
import { METHODS } from '#core/products/methods';
import { millilitres } from '#core/products/sheets';
import { applicatorCount, seamFactor, wetFilmUm } from '#core/products/quantity';
import { TENTH_SIGMAS } from '#core/measures';
import { money } from '#formats/values';
import { PanelHead, Part } from '../../job/Station';
import { useJob } from '../../job/job-context';
import { Working } from '../../ui/Working';
import { m2, um } from '../../ui/measures';
import { percent } from '../../ui/numbers';
import { Feed } from '../../material/Feed';
import { unitPrice } from '../../material/MaterialCosts';
import { amountInHand, inUnit } from '../../material/product-words';

export function Panel() {
  const job = useJob('chosen', 'document', 'plan', 'products', 'stock');
  const { plan, products, chosen } = job;
  const surface = chosen!;
  const laidFor = job.stock?.cost.bySurface.find((each) => each.surface === surface.id)?.cost;
  const own = plan.surfaces.find(({ id }) => id === surface.id)!;
  return (
    <>
      <PanelHead>
        <p className="text-ink-2">
          {m2(own.areaM2)}
          {laidFor !== undefined && `, ${money(Math.round(laidFor), job.document.currency)} of material laid so far`}
        </p>
      </PanelHead>
      {own.coats.length === 0 && <p className="p-5 text-ink-2">This panel stays bare: nothing to measure out.</p>}
      {own.coats.map(({ product: id, coat, layer, method, substrate, laid }) => {
        const product = products.find((sheet) => sheet.id === id)!;
        if (!laid) {
          return (
            <Part key={`${layer}-${coat}`} title={`${product.name}, coat ${coat}`}>
              <p className="text-stop">Refused or its window stays closed: not counted, not bought.</p>
            </Part>
          );
        }
        const factors = substrateFactors(substrate, product.substrates[substrate]);
        const shortSideM = shapeShortSideM(surface.shape, own.oneM2);
        const biggest = Math.max(...product.packs.map(({ size }) => size));
        const patches = laid.sectionsPerCopy * surface.count;
        return (
          <Part key={`${layer}-${coat}`} title={`${product.name}, coat ${coat}`}>
            <p>
              <Working
                name={`${product.name} on this panel`}
                rows={[
                  ['Area', m2(own.areaM2)],
                  ['Coverage on gloss', `${product.coveragePerM2} ${product.unit}/m²`],
                  ['This kind of surface', `× ${factors.coverage}`],
                  [METHODS[method].name, `× ${METHODS[method].amount}`],
                  [
                    `Seams of ${laid.sectionsPerCopy} sections`,
                    `× ${seamFactor(laid.sectionsPerCopy, shortSideM, own.oneM2).toFixed(3)}`,
                  ],
                  ['Learned from bottles weighed', `× ${product.usageFactor.toFixed(2)}`],
                ]}
                rule="All of these multiplied. Seams are laid twice over a strip of 5 cm along the shorter side. Coverage is what is laid: what the towels take off again is in it."
              >
                <span className="figure text-3xl">{inUnit(product, laid.amount)}</span>
              </Working>
            </p>
            <dl className="mt-2 grid grid-cols-2 gap-x-4 gap-y-1 text-[14px]">
              <dt className="text-ink-2">A section takes</dt>
              <dd className="text-right">
                {amountInHand(product, method, laid.amount / patches)}
                {patches > 1 && `, ${patches} times`}
              </dd>
              <dt className="text-ink-2">On the applicator</dt>
              <dd className="text-right">
                <Feed product={product} method={method} amount={laid.amount / patches} areaM2={own.areaM2 / patches} />
              </dd>
              <dt className="text-ink-2">Nine times in ten</dt>
              <dd className="text-right">
                up to {inUnit(product, laid.amount * Math.exp(TENTH_SIGMAS * product.usageSigma))}
              </dd>
              <dt className="text-ink-2">Costs</dt>
              <dd className="text-right">
                {money(Math.round(laid.amount * unitPrice(job, product)), job.document.currency)}
              </dd>
              <dt className="text-ink-2">Share of a pack</dt>
              <dd className="text-right">{percent(laid.amount / biggest)}</dd>
              {product.unit !== 'm2' && (
                <>
                  <dt className="text-ink-2">By weight</dt>
                  <dd className="text-right">
                    {(millilitres(product, laid.amount) * product.densityGPerMl).toFixed(1)} g
                  </dd>
                  <dt className="text-ink-2">Wet film</dt>
                  <dd className="text-right">{um(wetFilmUm(millilitres(product, laid.amount), own.areaM2), 1)}</dd>
                </>
              )}
              <dt className="text-ink-2">Applicators for it</dt>
              <dd className="text-right">{applicatorCount(own.areaM2, product.applicatorM2)}</dd>
            </dl>
          </Part>
        );
      })}
    </>
  );
}
