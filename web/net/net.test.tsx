import { fireEvent, render, screen } from '@testing-library/react';
import { arrange, templateById } from '#core/item/nets';
import { templateSurfaces } from '#job/edit';
import { Net } from './Net';

const hatchback = templateById('hatchback')!;
const net = hatchback.unfold(hatchback.usual);
const onTemplate = {
  surfaces: templateSurfaces(net),
  item: { name: 'Hatchback', template: { id: 'hatchback', ...hatchback.usual } },
};

describe('the net as a control', () => {
  beforeAll(() => {
    // Nothing has a size in this environment; the net is drawn where it has one.
    Object.assign(SVGElement.prototype, { getScreenCTM: () => null });
    globalThis.ResizeObserver = class {
      constructor(private readonly told: ResizeObserverCallback) {}
      observe() {
        this.told([{ contentRect: { width: 800, height: 600 } } as ResizeObserverEntry], this);
      }
      unobserve() {}
      disconnect() {}
    };
  });

  const propsWith = (choose: jest.Mock) => ({
    arrangement: arrange(onTemplate),
    lens: () => ({ fill: 'tint-2' as const, caption: 'covered' }),
    legend: [],
    label: 'The item',
    onChoose: choose,
  });

  test('a key held down walks on, though what it led to is drawn late and out of step', () => {
    const choose = jest.fn();
    const props = propsWith(choose);
    const { rerender } = render(<Net {...props} chosen="grille" />);
    const list = screen.getByRole('listbox', { name: 'The item' });
    const right = () => fireEvent.keyDown(list, { key: 'ArrowRight' });
    const led = () => choose.mock.calls.map(([id]) => id as string);
    right();
    right();
    rerender(<Net {...props} chosen={led()[0]} />);
    right();
    // The same walk where each step is drawn before the next.
    const steps = led();
    choose.mockClear();
    for (const from of ['grille', ...steps.slice(0, 2)]) {
      rerender(<Net {...props} chosen={from} />);
      right();
    }
    expect(led()).toEqual(steps);
    expect(new Set(steps).size).toBe(3);
    // Chosen from elsewhere, the walk goes on from there.
    rerender(<Net {...props} chosen="bonnet" />);
    right();
    expect(choose).toHaveBeenLastCalledWith('cowl');
  });

  test('is walked with the arrow keys, and says what it shows', () => {
    const choose = jest.fn();
    const props = propsWith(choose);
    render(<Net {...props} chosen="bonnet" />);
    expect(screen.getByRole('option', { name: 'Bonnet, covered' }).getAttribute('aria-selected')).toBe('true');
    const list = screen.getByRole('listbox', { name: 'The item' });
    fireEvent.keyDown(list, { key: 'ArrowRight' });
    expect(choose).toHaveBeenLastCalledWith('cowl');
    fireEvent.keyDown(list, { key: 'ArrowUp' });
    expect(choose.mock.lastCall![0]).toMatch(/-left$/);
    fireEvent.keyDown(list, { key: 'x' });
    expect(choose).toHaveBeenCalledTimes(2);
    fireEvent.click(screen.getByRole('option', { name: 'Roof, covered' }));
    expect(choose).toHaveBeenLastCalledWith('roof', undefined);
  });
});
