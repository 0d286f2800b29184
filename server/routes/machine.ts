import { once } from 'node:events';
import type { MACHINE_ROUTES } from '#formats/api';
import type { Keeping } from '../backup/keeping';
import { openEventStream } from '../http/event-stream';
import type { Handlers } from '../http/call';
import { notFound } from '../http/problem';
import type { Network } from '../network/network';
import type { Services } from '../services';

export function machineHandlers(
  network: Network,
  keeping: Keeping,
  { accounts, changes: feed }: Services,
): Handlers<typeof MACHINE_ROUTES> {
  return {
    network: () => network.state(),
    async switchNetwork({ body }) {
      await (body.open ? network.open() : network.close());
      accounts.keepNetworkOpen(body.open);
      return network.state();
    },
    trust() {
      const { fingerprint } = network.state();
      return fingerprint === undefined ? {} : { fingerprint };
    },
    authority() {
      const pem = network.authority();
      if (pem === undefined) throw notFound('certificate of its own', 'authority.crt');
      return pem;
    },
    backups: () => keeping.list(),
    async makeBackup() {
      await keeping.make();
      return keeping.list();
    },
    backupFile: ({ params, response }) =>
      new Promise<undefined>((resolve, reject) =>
        response.download(keeping.fileOf(params.id), params.id, { dotfiles: 'allow' }, (error) =>
          error ? reject(error) : resolve(undefined),
        ),
      ),
    async restoreBackup({ params, body, actor, response }) {
      const answered = once(response, 'close').then(() => undefined);
      const { at, counts } = await keeping.putBack(params.id, body.overNewer, actor.by, answered);
      return { at, ...counts };
    },
    changes({ request, response, query }) {
      const stream = openEventStream(response);
      const since = request.get('last-event-id') ?? query.since;
      const missed = since === undefined ? [] : feed.since(since);
      for (const change of missed ?? []) stream.send('change', change);
      stream.send(missed ? 'here' : 'gap', {}, feed.now());
      stream.onClose(feed.listen((change, id) => stream.send('change', change, id), stream.end));
    },
  };
}
