import type { Finding } from '#core/plan/job';
import { SEVERITY_MARKS } from './Mark';
import { PanelLinks } from './PanelLinks';

interface Props {
  readonly findings: readonly Finding[];
  readonly nameOf: (surface: string) => string;
  readonly onChoose?: ((surface: string) => void) | undefined;
}

interface Group {
  readonly finding: Finding;
  readonly surfaces: string[];
}

/** The same matter on many panels is said once. Texts that name their panel stay apart. */
function grouped(findings: readonly Finding[]): Group[] {
  const groups = new Map<string, Group>();
  for (const finding of findings) {
    const key = `${finding.code}/${finding.text}`;
    const group = groups.get(key) ?? { finding, surfaces: [] };
    if (finding.surface && !group.surfaces.includes(finding.surface)) group.surfaces.push(finding.surface);
    groups.set(key, group);
  }
  const order = ['stop', 'warn', 'note'];
  return [...groups.values()].sort((a, b) => order.indexOf(a.finding.severity) - order.indexOf(b.finding.severity));
}

/** What a plan has to say, gravest first. */
export function Findings({ findings, nameOf, onChoose }: Props) {
  return (
    <ul className="space-y-2">
      {grouped(findings).map(({ finding, surfaces }) => {
        const { icon: Icon, word, look } = SEVERITY_MARKS[finding.severity];
        return (
          <li key={`${finding.code}/${finding.text}`} className={`border-l-4 px-3 py-2 ${look}`}>
            <p className="flex gap-2">
              <Icon size={18} className="mt-0.5 shrink-0" aria-hidden />
              <span className="text-ink">
                <strong className="sr-only">{word}: </strong>
                {finding.text}
              </span>
            </p>
            {surfaces.length > 0 && onChoose && <PanelLinks ids={surfaces} nameOf={nameOf} onChoose={onChoose} />}
          </li>
        );
      })}
    </ul>
  );
}
