import { DateTime } from 'luxon';
import type { Plan } from '#core/plan/job';
import type { LaidOut, SheetAction } from '#core/lay/run-sheet';
import { type Job, surfaceName } from '#formats/job';
import { instantAfter } from '#formats/values';
import { heading, INK, LINE, MARGIN, newSheet, QUIET, room, type Sheet, title, widthOf } from './paper';

/** Columns and how much of the width each has. */
const COLUMNS = [
  ['', 0.03],
  ['At', 0.08],
  ['For', 0.08],
  ['Who', 0.09],
  ['What', 0.33],
  ['Product', 0.17],
  ['Takes', 0.09],
  ['Level after', 0.13],
] as const;
const ROW = 15;
const BOX = 7;
/** Somebody is away for longer than this, minutes: a new heading says when it goes on. */
const GAP_MIN = 90;

/** The run sheet to hang up in the bay: who does what when, a box to tick at each, the window of each patch. */
export function runSheetPaper(
  job: Job,
  { actions, people, plan }: Pick<LaidOut, 'actions' | 'people' | 'plan'>,
  readyAt: string | null,
): Sheet {
  const name = job.item?.name ?? job.title;
  const pdf = newSheet(`Run sheet: ${name}`, 'landscape');
  const at = (min: number) => DateTime.fromISO(instantAfter(job.startAt, min), { setZone: true });
  heading(pdf, `Run sheet: ${name}`, [
    job.item?.ownerName ?? 'owner not said',
    `${actions.filter(({ does }) => does === 'lay').length} patches`,
    `${people.length} ${people.length === 1 ? 'person' : 'people'}`,
    readyAt === null
      ? 'no ready date'
      : `ready ${DateTime.fromISO(readyAt, { setZone: true }).toFormat('ccc d LLL, HH:mm')}`,
    'times as expected: the cue on the panel decides',
  ]);
  if (actions.length === 0) pdf.fontSize(11).fillColor(INK).text('Nothing is left to be laid.');
  const windows = windowsOf(plan);
  const [surfaces, products] = [
    new Map(job.surfaces.map((surface) => [surface.id, surfaceName(surface)])),
    new Map(job.products.map((product) => [product.id, product])),
  ];
  actions.forEach((action, index) => {
    const { does, coat, section, sections, startMin, endMin, amount, who } = action;
    const before = actions[index - 1];
    if (before === undefined || startMin - before.endMin > GAP_MIN)
      begin(pdf, at(startMin).toFormat('cccc d LLLL, HH:mm'));
    const product = products.get(coat.product.id);
    const window = does === 'lay' ? windows.get(coatOf(action)) : undefined;
    row(pdf, [
      '',
      at(startMin).toFormat('HH:mm'),
      minutes(endMin - startMin),
      people.length > 1 || people[who]!.id !== '1' ? people[who]!.id : '',
      `${does === 'lay' ? 'Lay' : 'Level'} ${surfaces.get(coat.surface.id) ?? coat.surface.id}${sections > 1 ? `, ${section} of ${sections}` : ''}`,
      coat.product.name,
      amount === undefined
        ? ''
        : `${amount.toFixed(amount < 1 ? 2 : amount < 10 ? 1 : 0)} ${product?.unit === 'm2' ? 'm²' : (product?.unit ?? '')}`,
      window ? `${minute(window.fromMin)} to ${window.byMin === null ? 'no end' : minute(window.byMin)}` : '',
    ]);
  });
  return pdf;
}

const coatOf = ({ coat }: SheetAction): string => `${coat.surface.id}/${coat.layer}/${coat.coat}`;

type Window = NonNullable<NonNullable<Plan['surfaces'][number]['coats'][number]['laid']>['window']['guarded']>;

/** The window each coat may be trusted to have, minutes after its laying starts. */
function windowsOf({ surfaces }: Plan) {
  return new Map<string, Window>(
    surfaces.flatMap(({ id, coats }) =>
      coats.flatMap(({ layer, coat, laid }) =>
        laid?.window.guarded ? [[`${id}/${layer}/${coat}`, laid.window.guarded] as const] : [],
      ),
    ),
  );
}

/** A moment after the first stroke. */
const minute = (min: number) => `${min.toFixed(min < 20 ? 1 : 0)} min`;
const minutes = (min: number) => (min < 2 ? `${Math.round(min * 60)} s` : `${Math.round(min)} min`);

/** A day, or a part of one, with its columns. */
function begin(pdf: Sheet, says: string): void {
  room(pdf, 60 + 2 * ROW);
  pdf.moveDown(0.4);
  title(pdf, says);
  pdf.font('text').fontSize(8).fillColor(QUIET);
  cells(
    pdf,
    COLUMNS.map(([name]) => name),
  );
}

function row(pdf: Sheet, texts: readonly string[]): void {
  room(pdf, ROW + 4);
  pdf
    .rect(MARGIN, pdf.y + 2, BOX, BOX)
    .lineWidth(0.7)
    .strokeColor(INK)
    .stroke();
  pdf.font('text').fontSize(9).fillColor(INK);
  cells(pdf, texts);
}

/** Texts side by side, each cut short where its column ends, with a line under them. */
function cells(pdf: Sheet, texts: readonly string[]): void {
  const [width, y] = [widthOf(pdf), pdf.y];
  let x = MARGIN;
  COLUMNS.forEach(([, share], index) => {
    pdf.text(texts[index]!, x, y + 1, { width: share * width - 6, height: ROW - 3, ellipsis: true, lineBreak: true });
    x += share * width;
  });
  pdf
    .moveTo(MARGIN, y + ROW - 1)
    .lineTo(MARGIN + width, y + ROW - 1)
    .lineWidth(0.4)
    .strokeColor(LINE)
    .stroke();
  pdf.x = MARGIN;
  pdf.y = y + ROW;
}
