import '@testing-library/jest-dom';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { CoreSample } from '../core-sample/CoreSample';
import { NumberField } from './NumberField';
import { TextField } from './TextField';

describe('a number with its unit', () => {
  test('takes a decimal comma and hands over only what makes sense', async () => {
    const change = jest.fn();
    const check = (value: number) => (value > 0 ? undefined : 'more than nothing');
    render(<NumberField label="Coverage" unit="ml/m²" value={6} check={check} onChange={change} />);
    const field = screen.getByLabelText('Coverage');
    await userEvent.clear(field);
    await userEvent.type(field, '6,5{Enter}');
    expect(change).toHaveBeenLastCalledWith(6.5);
    await userEvent.clear(field);
    await userEvent.type(field, '-1{Tab}');
    expect(field).toHaveAccessibleDescription('more than nothing');
    expect(field).toBeInvalid();
    await userEvent.clear(field);
    await userEvent.type(field, 'much{Tab}');
    expect(field).toHaveAccessibleDescription('“much” is not a number');
    expect(change).toHaveBeenCalledTimes(1);
    await userEvent.type(field, '{Escape}');
    expect(field).toHaveValue('6');
  });

  test('gives way to a value that changes elsewhere', async () => {
    const { rerender } = render(<NumberField label="Area" value={1} onChange={() => undefined} />);
    await userEvent.type(screen.getByLabelText('Area'), '5');
    rerender(<NumberField label="Area" value={2} onChange={() => undefined} />);
    expect(screen.getByLabelText('Area')).toHaveValue('2');
  });
});

test('a text is handed over whole, and a needed one does not go missing', async () => {
  const change = jest.fn();
  render(<TextField label="Name" required value="Roof" onChange={change} />);
  const field = screen.getByLabelText('Name');
  await userEvent.clear(field);
  await userEvent.tab();
  expect(field).toHaveValue('Roof');
  await userEvent.clear(field);
  await userEvent.type(field, 'Bonnet{Enter}');
  expect(change.mock.calls).toEqual([['Bonnet']]);
});

test('a core sample reads from the top down: layers, what was found, the ground with its reserve', () => {
  render(
    <CoreSample
      substrate="clear-gloss"
      clearUm={42}
      existing={['paste-wax']}
      layers={[
        { key: 'base', name: 'Base', family: 'ceramic-base', coats: 2 },
        { key: 'top', name: 'Top', family: 'ceramic-top', coats: 1, children: <p>rated 60 months</p> },
      ]}
    />,
  );
  const rows = screen.getAllByRole('listitem').map(({ textContent }) => textContent);
  expect(rows).toEqual([
    'Toprated 60 months',
    'Base, 2 coats',
    'Paste wax, found',
    'Clear coat · 42 µm, reserve 25',
    'Colour',
    'Primer',
    'Panel',
  ]);
});
