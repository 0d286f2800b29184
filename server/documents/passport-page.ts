import { DateTime } from 'luxon';
import type { Photo } from '#formats/job';
import type { PassportFile } from '#formats/passport';
import { sectionsOf, sectionSvg } from './sections-svg';

interface PageParts {
  /** The item unfolded, as SVG. */
  readonly net: string;
  /** What the owner lets be shown. */
  readonly pictures: readonly { readonly photo: Photo; readonly base64: string }[];
  /** Names the page’s own style to whoever serves it. */
  readonly nonce: string;
}

const SIGNS: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' };
const safe = (text: string): string => text.replaceAll(/[&<>"']/g, (sign) => SIGNS[sign]!);
const day = (at: string): string => DateTime.fromISO(at, { setZone: true }).toFormat('d LLLL yyyy');
const moment = (at: string): string => DateTime.fromISO(at, { setZone: true }).toFormat('d LLLL yyyy, HH:mm');

const STYLE = `:root{color-scheme:light dark;--ink:#10212d;--quiet:#566976;--line:#ccd6db;--over:#a8125e;--paper:#f5f8f9;--sheet:#fff}
@media (prefers-color-scheme:dark){:root{--ink:#e7eff3;--quiet:#9fb2bd;--line:#2b3d48;--over:#ff86be;--paper:#0f1a21;--sheet:#16242d}}
body{margin:0;background:var(--paper);color:var(--ink);font:17px/1.45 system-ui,sans-serif}
main{max-width:42rem;margin:0 auto;padding:1.2rem}
h1{font-size:1.9rem;line-height:1.1;margin:.2rem 0}h2{font-size:1.2rem;margin:2rem 0 .5rem}
p,li,dd{overflow-wrap:anywhere}.quiet{color:var(--quiet);font-size:.9rem}
ol,ul.plain{list-style:none;padding:0;margin:0}li.row{border-top:1px solid var(--line);padding:.6rem 0}
.when{font-weight:600;color:var(--over);display:block}
.net{background:#fff;border:1px solid var(--line)}.net path{vector-effect:non-scaling-stroke;stroke-width:1px}
.key{display:inline-block;width:1.1em;height:.8em;border:1px solid #10212d;margin-right:.4em;vertical-align:baseline}.net svg{width:100%;height:auto;display:block}
details{background:var(--sheet);border:1px solid var(--line);padding:.6rem .8rem;margin:.4rem 0}summary{font-weight:600}
.cut{display:flex;gap:1rem;align-items:flex-start;border-top:1px solid var(--line);padding:.7rem 0}.cut svg{flex:none}.cut p{margin:0 0 .3rem}
.pics{display:grid;grid-template-columns:1fr 1fr;gap:.5rem}.pics img{width:100%}figure{margin:0}`;

/** Fills of the net, by what lies uppermost. */
const INKS = ['#b5d3de', '#e8cf9a', '#d9b3cf', '#b9d8b4', '#d6d6d6', '#e5b7a2'] as const;

/** A passport as one page that needs nothing but itself: no server, no network, no script. */
export function passportPage(
  { passport, signature, format }: PassportFile,
  { net, pictures, nonce }: PageParts,
): string {
  const { item, shop, issuedAt, care, panels, visits, warranty, unchecked } = passport;
  const title = `${item.name}: passport`;
  // What lies uppermost, in colours told apart in print as well.
  const tops = [...new Set(panels.flatMap(({ layers }) => layers.at(-1)?.product ?? []))];
  const inked = [...new Set([...tops, ...panels.flatMap(({ layers }) => layers.map(({ product }) => product))])];
  const inkOf = (product: string) => INKS[inked.indexOf(product) % INKS.length]!;
  const filled = panels
    .flatMap(({ surface, layers }) => {
      const top = layers.at(-1);
      return top ? [`.net [id="${surface.replaceAll(/[^\w-]/g, '_')}"]{fill:${inkOf(top.product)}}`] : [];
    })
    .join('');
  const keys = tops.map((product, nth) => `.k${nth}{background:${inkOf(product)}}`).join('');
  // What a program reads out of the page: no text in it can end it.
  const data = JSON.stringify({ format, passport, signature }).replaceAll('<', '\\u003c');
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<title>${safe(title)}</title><style nonce="${safe(nonce)}">${STYLE}${filled}${keys}</style></head><body><main>
<p class="quiet">${safe(shop)}, ${safe(day(issuedAt))}</p><h1>${safe(item.name)}</h1>
${unchecked ? `<h2>The final check is not closed</h2><ul>${unchecked.map((line) => `<li>${safe(line)}</li>`).join('')}</ul>` : ''}
<h2>What to mind</h2><ol>${care
    .map(
      ({ at, says }) =>
        `<li class="row">${at ? `<span class="when">${safe(moment(at))}</span>` : ''}${safe(says)}</li>`,
    )
    .join('')}</ol>
<h2>The item</h2><div class="net">${net.slice(net.indexOf('<svg'))}</div><p class="quiet">${tops
    .map((product, nth) => `<span class="key k${nth}"></span>${safe(product)}`)
    .join(' &nbsp; ')}</p>
<h2>Cut open</h2>${sectionsOf(panels)
    .map(
      (section) =>
        `<div class="cut">${sectionSvg(section, inkOf)}<div>${section.strata
          .toReversed()
          .map(
            ({ name, laid, coats }) =>
              `<p>${laid ? `<strong>${safe(name)}</strong>` : `${safe(name)}, found`}${coats > 1 ? `, ${coats} coats` : ''}</p>`,
          )
          .join(
            '',
          )}<p class="quiet">over ${section.clearUm === undefined ? 'clear nobody has measured' : `at least ${Math.round(section.clearUm)} µm of clear`}<br>${safe(section.panels.join(', '))}</p></div></div>`,
    )
    .join('')}
<h2>What lies on it</h2>${panels
    .map(
      ({ name, layers, found, neverUse, comesOff }) =>
        `<details><summary>${safe(name)}</summary>${layers
          .toReversed()
          .map(
            (layer) =>
              `<p><strong>${safe(layer.product)}</strong>${layer.coats > 1 ? `, ${layer.coats} coats` : ''}<br><span class="quiet">laid ${safe(day(layer.endAt))} at ${layer.air.airC} °C and ${layer.air.rhPct} %${layer.batches.length > 0 ? `, batch ${safe(layer.batches.join(', '))}` : ''}${layer.by.length > 0 ? `, by ${safe(layer.by.join(', '))}` : ''}; renew about ${safe(day(layer.renew.about))}</span></p>`,
          )
          .join('')}${found.length > 0 ? `<p class="quiet">Beneath: ${safe(found.join(', '))}</p>` : ''}${
          neverUse.length > 0 ? `<p><strong>Never:</strong> ${safe(neverUse.join('; '))}.</p>` : ''
        }${comesOff.length > 0 ? `<p class="quiet">Comes off by ${safe([...new Set(comesOff.map(({ by }) => by.toLowerCase()))].join(', then '))}.</p>` : ''}</details>`,
    )
    .join('')}
${
  warranty
    ? `<h2>Warranty${warranty.number === undefined ? '' : ` ${safe(warranty.number)}`}</h2>${warranty.registeredOn === undefined ? '' : `<p>Registered with the maker on ${safe(day(warranty.registeredOn))}.</p>`}<ul class="plain">${warranty.covers
        .map(
          ({ product, months, from, batches }) =>
            `<li class="row"><strong>${safe(product)}</strong>: ${months} months from ${safe(day(from))}${batches.length > 0 ? `, batch ${safe(batches.join(', '))}` : ''}</li>`,
        )
        .join(
          '',
        )}</ul><p>It holds as long as:</p><ul>${warranty.conditions.map((each) => `<li>${safe(each)}</li>`).join('')}</ul>${
        warranty.inspections.length > 0
          ? `<p>Inspections: ${warranty.inspections.map((each) => safe(day(each))).join('; ')}.</p>`
          : ''
      }`
    : ''
}
<h2>What was done</h2><ul class="plain">${visits
    .map(
      ({ at, title: what, shop: where, prepared, leftOut, released }) =>
        `<li class="row"><strong>${safe(day(at))}</strong>: ${safe(what)}<br><span class="quiet">${safe(where)}${prepared.length > 0 ? `; ${safe(prepared.map((each) => each.what.toLowerCase()).join(', '))}` : ''}${leftOut.length > 0 ? `; ${leftOut.length} panels left out` : ''}${released ? `<br>Signed by a licensed engineer: ${safe(released.name)}, licence ${safe(released.licence)}, ${safe(moment(released.at))}` : ''}</span></li>`,
    )
    .join('')}</ul>
${
  pictures.length > 0
    ? `<h2>Before and after</h2><div class="pics">${pictures
        .map(
          ({ photo, base64 }) =>
            `<figure><img alt="${safe(photo.role)}" src="data:image/jpeg;base64,${base64}"><figcaption class="quiet">${safe([photo.role.replaceAll('-', ' '), photo.note].filter(Boolean).join(': '))}</figcaption></figure>`,
        )
        .join('')}</div>`
    : ''
}
<p class="quiet">Signed by the shop (${safe(signature.algorithm)}): any other shop can read this page’s data and tell whether a byte of it was changed.</p>
<script type="application/json" id="passport">${data}</script></main></body></html>`;
}
