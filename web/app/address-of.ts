import type { ParamsOf, QuerySent, RouteName, Routes } from '#formats/api';
import { ADDRESSES } from './addresses';

type Given = Readonly<Record<string, unknown>>;
type Args<Name extends RouteName> = ParamsOf<Routes[Name]> & Partial<QuerySent<Routes[Name]>>;

/** The path of an address with its parameters filled in, and what was given beside them. */
export function filledIn(path: string, given: Given): { readonly url: string; readonly rest: Given } {
  const rest = { ...given };
  const url = path.replaceAll(/\{(\w+)\}/g, (_, name: string) => {
    const value = rest[name];
    delete rest[name];
    return encodeURIComponent(String(value));
  });
  return { url, rest };
}

/** Where a route is called or linked to, by its name in the contract. */
export function addressOf<Name extends RouteName>(
  name: Name,
  ...[args]: keyof ParamsOf<Routes[Name]> extends never ? [args?: Args<Name>] : [args: Args<Name>]
): string {
  const { url, rest } = filledIn(ADDRESSES[name].path, args ?? {});
  const asked = Object.entries(rest).flatMap(([key, value]) => (value === undefined ? [] : [[key, String(value)]]));
  return asked.length === 0 ? url : `${url}?${new URLSearchParams(asked).toString()}`;
}
