import { STOCKED, Workshop } from './workshop';

/** Before the first test: the sample workshop once, for all of them to begin from. */
export default async function stock() {
  const { folder, close } = await Workshop.stocked();
  process.env[STOCKED] = folder;
  return close;
}
