/** What a plan has to say, as a list: gravest first, each matter once, and a way to every panel it is about. */
import '@testing-library/jest-dom';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import fc from 'fast-check';
import type { Finding } from '#core/plan/job';
import { planOf } from '#job/plan';
import { yardThatMorning } from '../../demo/that-morning';
import { Findings } from './Findings';

const RANK = ['Stop', 'Mind', 'Note'];
const name = (surface: string) => `the ${surface}`;
const items = () =>
  screen.getAllByRole('listitem').map((item) => ({
    word: /^(\w+): /.exec(item.textContent)![1]!,
    panels: within(item)
      .queryAllByRole('button')
      .map(({ textContent }) => textContent),
  }));

const aFinding: fc.Arbitrary<Finding> = fc.record({
  severity: fc.constantFrom('stop' as const, 'warn' as const, 'note' as const),
  code: fc.constantFrom('not-allowed' as const, 'test-spot' as const, 'condensation' as const),
  surface: fc.constantFrom('roof', 'door', 'rim'),
  text: fc.constantFrom('Too cold.', 'Not over wax.', 'Try it first.'),
});

test('the gravest stand first, each matter once, with every panel it was found on and no other', () => {
  fc.assert(
    fc.property(fc.array(aFinding, { minLength: 1, maxLength: 15 }), (findings) => {
      cleanup();
      render(<Findings findings={findings} nameOf={name} onChoose={() => undefined} />);
      const said = items();
      const matters = new Map<string, Set<string>>();
      for (const { code, text, surface } of findings) {
        const key = `${code} ${text}`;
        matters.set(key, (matters.get(key) ?? new Set()).add(name(surface!)));
      }
      expect(said).toHaveLength(matters.size);
      const panels = said.map((item) => item.panels.toSorted().join());
      expect(panels.toSorted()).toEqual([...matters.values()].map((each) => [...each].toSorted().join()).toSorted());
      const order = said.map(({ word }) => RANK.indexOf(word));
      expect(order).toEqual(order.toSorted((a, b) => a - b));
    }),
    { numRuns: 40 },
  );
});

test('a tap on a panel leads to it; where there is nowhere to lead, none is offered', async () => {
  const finding: Finding = { severity: 'stop', code: 'not-allowed', surface: 'roof', text: 'Not over wax.' };
  const chosen = jest.fn();
  const { rerender } = render(<Findings findings={[finding]} nameOf={name} onChoose={chosen} />);
  await userEvent.click(screen.getByRole('button', { name: 'the roof' }));
  expect(chosen).toHaveBeenCalledWith('roof');
  rerender(<Findings findings={[finding]} nameOf={name} />);
  expect(screen.queryByRole('button')).toBeNull();
  expect(screen.getByText('Not over wax.')).toBeVisible();
});

test('all that the plans of the yard have to say is said, and by a word as well as by a colour', () => {
  for (const { id, draft } of yardThatMorning().jobs) {
    const { findings } = planOf(draft.document);
    if (findings.length === 0) continue;
    const { unmount, container } = render(<Findings findings={findings} nameOf={name} onChoose={() => undefined} />);
    for (const { text } of findings) expect([id, container.textContent.includes(text)]).toEqual([id, true]);
    for (const { word } of items()) expect(RANK).toContain(word);
    unmount();
  }
});
