import { SUBJECTS as SUBJECTS_OF_CONTRACT } from '#formats/api';
import { addressOf } from './address-of';
import { ADDRESSES, SUBJECTS } from './addresses';
import { addressesOfContract } from './addresses-module';

test('what the browser has of the contract is what the contract says; `npm run schemas` writes it anew', () => {
  expect(ADDRESSES).toEqual(addressesOfContract());
  expect(SUBJECTS).toEqual(SUBJECTS_OF_CONTRACT);
});

test('an address is filled in with what it is given, and the rest is asked', () => {
  expect(addressOf('jobFile', { id: 'a/b c' })).toBe('/api/jobs/a%2Fb%20c/file');
  expect(addressOf('stockLabels', { find: 'wax & oil', of: undefined })).toBe('/api/stock/labels.pdf?find=wax+%26+oil');
  expect(addressOf('stockCsv')).toBe('/api/stock.csv');
});
