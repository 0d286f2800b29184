import '@testing-library/jest-dom';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { DateField, DateTimeField } from './DateField';

function Day({ told, required = false }: { told: jest.Mock; required?: boolean }) {
  const [day, setDay] = useState('2027-03-04');
  return (
    <DateField
      label="Refinished on"
      required={required}
      value={day}
      onChange={(next) => {
        told(next);
        setDay(next);
      }}
    />
  );
}

test('a day is taken as it is written, said back one way, and refused in words', async () => {
  const told = jest.fn();
  render(<Day told={told} />);
  const field = screen.getByLabelText('Refinished on');
  expect(field).toHaveValue('4 Mar 2027');
  await userEvent.clear(field);
  await userEvent.type(field, '20.2.{Tab}');
  expect(told).toHaveBeenLastCalledWith('2027-02-20');
  expect(field).toHaveValue('20 Feb 2027');
  await userEvent.clear(field);
  await userEvent.type(field, '30 Feb{Tab}');
  expect(field).toHaveAccessibleDescription(/^not a day/);
  expect(told).toHaveBeenCalledTimes(1);
  await userEvent.clear(field);
  await userEvent.tab();
  expect(told).toHaveBeenLastCalledWith('');
});

test('a day there has to be is not emptied', async () => {
  const told = jest.fn();
  render(<Day told={told} required />);
  await userEvent.clear(screen.getByLabelText('Refinished on'));
  await userEvent.tab();
  expect(told).not.toHaveBeenCalled();
  expect(screen.getByLabelText('Refinished on')).toBeInvalid();
});

test('a day keeps its time, and without a day there is none to give', async () => {
  const told = jest.fn();
  const { rerender } = render(<DateTimeField label="Laying starts" value="2027-03-04T09:30" onChange={told} />);
  await userEvent.clear(screen.getByLabelText('Laying starts: time'));
  await userEvent.type(screen.getByLabelText('Laying starts: time'), '17h05{Enter}');
  expect(told).toHaveBeenLastCalledWith('2027-03-04T17:05');
  await userEvent.clear(screen.getByLabelText('Laying starts: day'));
  await userEvent.type(screen.getByLabelText('Laying starts: day'), '5 Mar{Enter}');
  expect(told).toHaveBeenLastCalledWith('2027-03-05T09:30');
  rerender(<DateTimeField label="Laying starts" value="" onChange={told} />);
  expect(screen.getByLabelText('Laying starts: time')).toBeDisabled();
});
