import { DEMO_OFFERS } from '../offers';
import { plausibleFigures } from './figures';
import { PLAUSIBLE_JOBS } from './jobs';

const hours = (value: number) => `${value.toFixed(1)} h`;
const span = ([from, to]: readonly [number, number], unit = '') => `${Math.round(from)} to ${Math.round(to)}${unit}`;

/** Twelve jobs as the models have them, beside what the trade expects of each and why, in Markdown. */
export function plausibleTable(): string {
  const jobs = PLAUSIBLE_JOBS.map(({ item, offer: id, expects, why }) => {
    const figures = plausibleFigures(item, id);
    const offer = DEMO_OFFERS.find((each) => each.id === id)!;
    const rows = [
      ['Preparation, one person', hours(figures.preparationH), `${expects.preparationH.join(' to ')} h`],
      ['Laying, person-hours with set-up', hours(figures.layingH), `${expects.layingH.join(' to ')} h`],
      [figures.product, `${figures.ml.toFixed(0)} ml`, `${span(expects.ml)} ml`],
      ['Price, 48 an hour', figures.price.toFixed(0), span(expects.price)],
      ['Life, to plan for', span(figures.lifeMonths, ' months'), `within ${span(expects.lifeMonths)} months`],
      ['Taken off again at half its life', hours(figures.removalH), `${expects.removalH.join(' to ')} h`],
    ];
    return [
      `## ${item.name}: ${offer.name}`,
      '',
      `${offer.says} ${figures.areaM2.toFixed(1)} m² in all. ${why}`,
      '',
      '| | worked out | expected |',
      '| --- | ---: | ---: |',
      ...rows.map((cells) => `| ${cells.join(' | ')} |`),
      '',
    ].join('\n');
  });
  return [
    '# Twelve jobs a practitioner would know beforehand',
    '',
    'Made by `npm run --silent plausible` from the models, the yard’s own shelf and offers; a test holds every figure inside what is expected. Paint swirled all over, medium; 21 °C; one person at the usual pace.',
    '',
    ...jobs,
  ].join('\n');
}
