import { type ComponentType, lazy } from 'react';

/** What stands where a part of the page could not be fetched: the rest of it goes on. */
const NotFetched = () => <p className="p-2 text-[14px] text-ink-2">Not fetched: the server does not answer.</p>;

/**
 * A part of the page that is fetched when it is first drawn. Where the server has gone by then the page stands all the
 * same, with a word in its place until it is opened anew.
 * @param instead what stands in its place
 */
export const later = <P extends object>(
  load: () => Promise<{ default: ComponentType<P> }>,
  instead: ComponentType = NotFetched,
) => lazy<ComponentType<P>>(() => load().catch(() => ({ default: instead as ComponentType<P> })));
