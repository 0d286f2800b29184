import { type Route, ROUTES, type Routes } from '#formats/api';
import { type Asked, type Body, callOf, type Handler, type Handlers, isPrepared, written } from './call';
import type { Beside } from './mount';

/** Answers computed routes, and works out what prepared ones write: in a thread, or where it is asked. */
export function answerer(handlers: Handlers<Routes>): Beside {
  return {
    async answer(asked: Asked): Promise<unknown> {
      const route: Route = ROUTES[asked.name];
      const handler = handlers[asked.name] as Handler<Route>;
      const call = callOf(route, asked);
      if (isPrepared(handler)) return handler.works(call);
      return written(route, await handler(call as never)) satisfies Body;
    },
    read: async (asked) => callOf(ROUTES[asked.name], asked).body,
  };
}
