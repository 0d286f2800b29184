import { DateTime } from 'luxon';
import { LIGHT_NAMES, MARK_KINDS, marksInWords, OUTCOME_NAMES } from '#core/survey/condition';
import { boundingBox, type Point } from '#core/item/geometry';
import { arrange } from '#core/item/nets';
import { judgeReadings, VERDICT_NAMES } from '#core/survey/paint';
import {
  fateInWords,
  fateOf,
  LEVEL_DEFINITIONS,
  levelSays,
  type PanelCase,
  prepareItem,
  type Preparation,
  type PrepareSettings,
} from '#core/prepare/stages';
import { STEP_KINDS } from '#core/prepare/steps';
import { type JobRecord, type Photo, type Surface, surfaceName } from '#formats/job';
import { panelCases } from '#job/prepare';
import { A4, heading, INK, LINE, MARGIN, newSheet, OVER, QUIET, room, type Sheet, signatures, title } from './paper';

const WIDTH = A4.width - 2 * MARGIN;
const NET_HEIGHT = 300;

interface NumberedMark {
  readonly number: number;
  readonly surface: Surface;
  readonly mark: NonNullable<Surface['marks']>[number];
}

/** A picture for the sheet, with the file it lies in. */
export interface SheetPicture {
  readonly photo: Photo;
  readonly file: string;
}

/**
 * The walk-round as the owner signs it: the item with every mark in its place, what becomes of each, what was
 * measured, what stays, and the pictures.
 */
export function walkRoundSheet(
  { document: job }: Pick<JobRecord, 'document'>,
  pictures: readonly SheetPicture[],
  now: Date,
  settings: PrepareSettings,
): Sheet {
  const pdf = newSheet(`Walk-round: ${job.title}`);
  const numbered = job.surfaces
    .flatMap((surface) => (surface.marks ?? []).map((mark) => ({ surface, mark })))
    .map((entry, index): NumberedMark => ({ ...entry, number: index + 1 }));

  const { item, surfaces } = job;
  heading(pdf, job.title, [
    `Item: ${item?.name ?? job.title}`,
    `Owner: ${item?.ownerName || 'not said'}`,
    `Looked at on ${DateTime.fromJSDate(now).toFormat('d LLLL yyyy')}`,
    `${surfaces.length} surfaces`,
  ]);
  drawNet(pdf, job, numbered);
  const cases = panelCases(job);
  const preparation = prepareItem(cases, settings);
  markTable(pdf, numbered, preparation);
  toBeDone(pdf, job, settings, cases, preparation);
  readings(pdf, job.surfaces);
  notes(pdf, job);
  pictureGrid(pdf, job.surfaces, pictures, numbered);
  signatures(
    pdf,
    'What is listed as staying stays. What is eased or hidden is not gone. Polished paint does not come back.',
  );
  return pdf;
}

/** The item unfolded, each mark a number in its place. */
function drawNet(pdf: Sheet, job: JobRecord['document'], numbered: readonly NumberedMark[]): void {
  const { panels, linework, box } = arrange(job);
  if (panels.length === 0) return;
  const scale = Math.min(WIDTH / (box.maxX - box.minX), NET_HEIGHT / (box.maxY - box.minY));
  const left = MARGIN + (WIDTH - scale * (box.maxX - box.minX)) / 2;
  const top = pdf.y + 4;
  const onPaper = ([x, y]: Point): Point => [left + (x - box.minX) * scale, top + (y - box.minY) * scale];
  const trace = (points: readonly Point[]) => {
    points.map(onPaper).forEach(([x, y], index) => (index === 0 ? pdf.moveTo(x, y) : pdf.lineTo(x, y)));
  };
  pdf.lineWidth(0.3).strokeColor(QUIET);
  for (const line of linework) {
    trace(line);
    pdf.stroke();
  }
  pdf.lineWidth(0.7).strokeColor(INK);
  for (const { outline } of panels) {
    trace(outline);
    pdf.closePath().stroke();
  }
  for (const { number, surface, mark } of numbered) {
    const outline = panels.find(({ id }) => id === surface.id)?.outline;
    if (!outline) continue;
    const own = boundingBox(outline);
    const [x, y] = onPaper([
      own.minX + mark.at[0] * (own.maxX - own.minX),
      own.minY + mark.at[1] * (own.maxY - own.minY),
    ]);
    pdf.circle(x, y, 5.2).fillAndStroke('#ffffff', OVER);
    pdf
      .font('strong')
      .fontSize(6)
      .fillColor(OVER)
      .text(String(number), x - 6, y - 3.2, { width: 12, align: 'center', lineBreak: false });
  }
  pdf.x = MARGIN;
  pdf.y = top + scale * (box.maxY - box.minY) + 12;
}

const COLUMNS = [24, 128, 128, 52, WIDTH - 24 - 128 - 128 - 52] as const;

function row(pdf: Sheet, cells: readonly string[], font: 'text' | 'strong' = 'text'): void {
  const heights = cells.map((cell, index) =>
    pdf
      .font(font)
      .fontSize(8.5)
      .heightOfString(cell, { width: COLUMNS[index]! - 6 }),
  );
  const high = Math.max(...heights) + 5;
  room(pdf, high);
  const { y } = pdf;
  let x = MARGIN;
  for (const [index, cell] of cells.entries()) {
    pdf
      .font(font)
      .fontSize(8.5)
      .fillColor(INK)
      .text(cell, x, y, { width: COLUMNS[index]! - 6 });
    x += COLUMNS[index]!;
  }
  pdf.y = y + high;
  pdf
    .moveTo(MARGIN, pdf.y - 3)
    .lineTo(MARGIN + WIDTH, pdf.y - 3)
    .lineWidth(0.4)
    .strokeColor(LINE)
    .stroke();
  pdf.x = MARGIN;
}

function markTable(pdf: Sheet, numbered: readonly NumberedMark[], { panels }: Preparation): void {
  const goes = new Map(panels.flatMap((panel) => panel.goes.map((own) => [own.mark, own])));
  title(pdf, numbered.length === 0 ? 'Nothing was marked' : 'What is there, and what becomes of it');
  if (numbered.length === 0) return;
  row(pdf, ['', 'Panel', 'Mark', 'Severity', 'What becomes of it'], 'strong');
  for (const { number, surface, mark } of numbered) {
    const fate = fateInWords(fateOf(mark, goes.get(mark.id)), OUTCOME_NAMES);
    const seen = mark.light ? ` Seen under ${LIGHT_NAMES[mark.light]}.` : '';
    const size = mark.sizeMm ? `, ${mark.sizeMm} mm` : '';
    const said = mark.note ? ` ${mark.note}` : '';
    row(pdf, [
      String(number),
      surfaceName(surface),
      MARK_KINDS[mark.kind].name + size,
      mark.severity,
      `${fate}. ${MARK_KINDS[mark.kind].say}${seen}${said}`,
    ]);
  }
  pdf.moveDown(0.5);
}

/** The work agreed: the correction with its stages, what is laid, and what is left out. */
function toBeDone(
  pdf: Sheet,
  job: JobRecord['document'],
  settings: PrepareSettings,
  cases: readonly PanelCase[],
  { stages, panels, goneShare }: Preparation,
): void {
  const names = new Map(job.surfaces.map((surface) => [surface.id, surfaceName(surface)]));
  const products = new Map(job.products.map(({ id, name }) => [id, name]));
  const laid = new Map<string, number>();
  for (const { product } of job.surfaces.flatMap(({ layers }) => layers)) {
    laid.set(product, (laid.get(product) ?? 0) + 1);
  }
  const kinds = [...new Set(stages.map(({ kind }) => STEP_KINDS[kind].name.toLowerCase()))];
  const excluded = panels.filter((panel) => panel.excluded !== undefined);
  const lines = [
    `${LEVEL_DEFINITIONS[settings.level].name}. ${levelSays(settings.level, goneShare)}`,
    ...(kinds.length > 0 ? [`Steps: ${kinds.join(', ')}.`] : []),
    ...[...laid].map(
      ([product, count]) => `${products.get(product) ?? product} on ${count} ${count === 1 ? 'panel' : 'panels'}.`,
    ),
    ...takenOff(cases, names),
    ...excluded.map(({ id, excluded: why }) => `Not in this job: ${(names.get(id) ?? id).toLowerCase()}, ${why}.`),
  ];
  title(pdf, 'What will be done');
  for (const line of lines) {
    room(pdf, 20);
    pdf.font('text').fontSize(9).fillColor(INK).text(line, { width: WIDTH });
  }
  pdf.moveDown(0.5);
}

/** What may happen where something is taken off: each once, with its panels, for the owner to sign. */
function takenOff(cases: readonly PanelCase[], names: ReadonlyMap<string, string>): string[] {
  const told = new Map<string, string[]>();
  for (const { id, strips, marks } of cases) {
    if (!strips) continue;
    const filled = marks.filter(({ hiddenBefore }) => hiddenBefore);
    const shows = filled.length > 0 ? [`What was filled shows again: ${marksInWords(filled)}.`] : [];
    for (const warning of [...strips.warnings, ...shows])
      told.set(warning, [...(told.get(warning) ?? []), (names.get(id) ?? id).toLowerCase()]);
  }
  return [...told].map(([warning, on]) => `Taking off, ${on.join(', ')}: ${warning}`);
}

function readings(pdf: Sheet, surfaces: readonly Surface[]): void {
  const read = judgeReadings(surfaces)
    .map((paint, index) => ({ paint, surface: surfaces[index]! }))
    .filter(({ paint }) => paint.count > 0);
  if (read.length === 0) return;
  title(pdf, 'Paint thickness');
  row(pdf, ['', 'Panel', 'Median of readings', '', ''], 'strong');
  for (const { paint, surface } of read) {
    const simulated = surface.readingsFrom?.includes('simulated') ? ', simulated gauge' : '';
    const median = paint.medianUm === undefined ? '' : `${paint.medianUm.toFixed(0)} µm of ${paint.count}${simulated}`;
    row(pdf, ['', surfaceName(surface), median, '', VERDICT_NAMES[paint.verdict]]);
  }
  pdf.moveDown(0.5);
}

function notes(pdf: Sheet, { surfaces, item }: JobRecord['document']): void {
  const said = [
    ...(item?.access ? [`Access: ${item.access}`] : []),
    ...surfaces.flatMap((surface) => (surface.note ? [`${surfaceName(surface)}: ${surface.note}`] : [])),
  ];
  if (said.length === 0) return;
  title(pdf, 'Notes');
  for (const line of said) {
    room(pdf, 20);
    pdf.font('text').fontSize(9).fillColor(INK).text(line, { width: WIDTH });
  }
  pdf.moveDown(0.5);
}

const PICTURES_ACROSS = 3;
const PICTURE_GAP = 10;
const PICTURE_WIDTH = (WIDTH - (PICTURES_ACROSS - 1) * PICTURE_GAP) / PICTURES_ACROSS;
const PICTURE_HEIGHT = 0.75 * PICTURE_WIDTH;
const CAPTION_HEIGHT = 34;

const ROLE_WORDS: Readonly<Record<Photo['role'], string>> = {
  seen: '',
  before: 'before: ',
  after: 'after: ',
  'half-and-half': 'half and half: ',
  wet: 'wet: ',
  drop: 'drop: ',
  plan: '',
};

/** Every "after" behind its "before". */
function inPairs(pictures: readonly SheetPicture[]): SheetPicture[] {
  const firstOf = ({ photo }: SheetPicture) => photo.pairOf ?? photo.id;
  return pictures
    .filter(({ photo }) => photo.role !== 'plan')
    .map((picture, index, all) => ({
      picture,
      place: all.findIndex(({ photo }) => photo.id === firstOf(picture)),
      index,
    }))
    .sort((a, b) => (a.place === -1 ? a.index : a.place) - (b.place === -1 ? b.index : b.place) || a.index - b.index)
    .map(({ picture }) => picture);
}

function pictureGrid(
  pdf: Sheet,
  surfaces: readonly Surface[],
  pictures: readonly SheetPicture[],
  numbered: readonly NumberedMark[],
): void {
  const shown = inPairs(pictures);
  if (shown.length === 0) return;
  title(pdf, 'Pictures');
  for (let first = 0; first < shown.length; first += PICTURES_ACROSS) {
    room(pdf, PICTURE_HEIGHT + CAPTION_HEIGHT);
    const top = pdf.y;
    for (const [column, { photo, file }] of shown.slice(first, first + PICTURES_ACROSS).entries()) {
      const x = MARGIN + column * (PICTURE_WIDTH + PICTURE_GAP);
      pdf.image(file, x, top, { fit: [PICTURE_WIDTH, PICTURE_HEIGHT], align: 'center', valign: 'center' });
      pdf
        .font('text')
        .fontSize(8)
        .fillColor(INK)
        .text(pictureWords(photo, surfaces, numbered), x, top + PICTURE_HEIGHT + 4, {
          width: PICTURE_WIDTH,
          height: CAPTION_HEIGHT - 8,
          ellipsis: true,
        });
    }
    pdf.x = MARGIN;
    pdf.y = top + PICTURE_HEIGHT + CAPTION_HEIGHT;
  }
}

function pictureWords(photo: Photo, surfaces: readonly Surface[], numbered: readonly NumberedMark[]): string {
  const number = numbered.find(({ mark, surface }) => mark.id === photo.mark && surface.id === photo.surface)?.number;
  const surface = surfaces.find(({ id }) => id === photo.surface);
  const where = surface ? surfaceName(surface) : 'The whole';
  const of = number === undefined ? where : `${number}, ${where.toLowerCase()}`;
  return `${ROLE_WORDS[photo.role]}${of}${photo.note ? `. ${photo.note}` : ''}`;
}
