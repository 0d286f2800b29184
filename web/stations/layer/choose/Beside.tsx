import { comparedInWords, differencesBetween, type StackLayer } from '#core/choose/stacks';
import type { ChoicePoint } from '#formats/choice';
import { surfaceName } from '#formats/job';
import { panelsInWords, stackInWords } from '#job/offers';
import { Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import { SelectField } from '../../../ui/SelectField';
import { POINT_NAMES } from './points';

const MINUTES_PER_HOUR = 60;

interface Props {
  readonly point: ChoicePoint;
  readonly points: readonly ChoicePoint[];
  /** What it is held against: another choice, or what is planned. */
  readonly against: ChoicePoint | undefined;
  readonly onAgainst: (point: ChoicePoint | undefined) => void;
}

/** Two proposals side by side: what differs in money, life and hours, and on which panels. */
export function Beside({ point, points, against, onAgainst }: Props) {
  const { document, productName } = useJob('document', 'productName');
  const others = points.filter((each) => each !== point);
  const differences = differencesBetween(
    against?.surfaces ?? document.surfaces.filter(({ id }) => point.surfaces.some((each) => each.id === id)),
    point.surfaces,
  );
  const names = new Map(document.surfaces.map((surface) => [surface.id, surfaceName(surface).toLowerCase()]));
  const where = (surfaces: readonly string[]) => panelsInWords(surfaces.map((id) => names.get(id) ?? id));
  const inWords = (layers: readonly StackLayer[]) => stackInWords(layers, productName);
  const minutes = ({ hours }: ChoicePoint) => hours * MINUTES_PER_HOUR;
  return (
    <Part title="Held against">
      <SelectField
        label="This choice beside"
        value={String(against ? points.indexOf(against) : -1)}
        options={[
          ['-1', 'what is planned'],
          ...others.map((each) => [String(points.indexOf(each)), toldApart(each, others)] as const),
        ]}
        onChange={(index) => onAgainst(points[Number(index)])}
      />
      {against && (
        <p className="mt-2">
          {sentence(comparedInWords({ ...point, minutes: minutes(point) }, { ...against, minutes: minutes(against) }))}
        </p>
      )}
      {differences.length === 0 ? (
        <p className="mt-2 text-ink-2">The same on every panel.</p>
      ) : (
        <table className="mt-2 w-full text-[13.5px]">
          <thead>
            <tr className="text-left text-ink-2">
              <th className="w-[28%] pb-1 font-normal">Where</th>
              <th className="pb-1 font-normal">there</th>
              <th className="pb-1 font-normal">here</th>
            </tr>
          </thead>
          <tbody>
            {differences.map(({ from, to, surfaces }) => (
              <tr key={surfaces[0]} className="border-t align-top">
                <th scope="row" className="py-1 pr-2 text-left font-semibold">
                  {where(surfaces)}
                </th>
                <td className="py-1 pr-2 text-ink-2">{inWords(from)}</td>
                <td className="py-1">{inWords(to)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Part>
  );
}

/** Choices "in between" are several: told by what they cost. */
function toldApart(point: ChoicePoint, all: readonly ChoicePoint[]): string {
  const name = POINT_NAMES[point.name];
  const alike = all.filter((each) => each.name === point.name).length > 1;
  return alike ? `${name}, ${Math.round(point.lifeMonths)} months, ${point.hours.toFixed(1)} h` : name;
}

const sentence = (words: string) => `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
