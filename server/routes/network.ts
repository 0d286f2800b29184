import { networkStateSchema, networkSwitchSchema } from '#formats/people';
import { endpoint } from '../http/endpoint';
import { notFound } from '../http/problem';
import type { Network } from '../network/network';
import type { Services } from '../services';

export function networkEndpoints(network: Network, { accounts }: Pick<Services, 'accounts'>) {
  return [
    endpoint({
      method: 'get',
      path: '/api/network',
      needs: 'own',
      summary: 'How the workshop is reached from outside its machine',
      answer: { status: 200, schema: networkStateSchema },
      run: () => network.state(),
    }),
    endpoint({
      method: 'put',
      path: '/api/network',
      needs: 'own',
      deed: 'opened or closed the door to the network',
      summary: 'Open it to the workshop’s network, or to this machine only; it stays so at the next start',
      body: networkSwitchSchema,
      answer: { status: 200, schema: networkStateSchema },
      run: async ({ body }) => {
        await (body.open ? network.open() : network.close());
        accounts.keepNetworkOpen(body.open);
        return network.state();
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/trust',
      needs: 'nothing',
      summary: 'What a tablet has to trust, told before it is in',
      answer: { status: 200, schema: networkStateSchema.pick({ fingerprint: true }) },
      run: () => {
        const { fingerprint } = network.state();
        return fingerprint === undefined ? {} : { fingerprint };
      },
    }),
    endpoint({
      method: 'get',
      path: '/api/trust/authority.crt',
      needs: 'nothing',
      summary: 'The authority tablets have to trust, as a certificate',
      answer: { status: 200, media: 'application/x-x509-ca-cert' },
      run: ({ response }) => {
        const pem = network.authority();
        if (pem === undefined) throw notFound('certificate of its own', 'authority.crt');
        response
          .type('application/x-x509-ca-cert')
          .setHeader('content-disposition', 'attachment; filename="workshop-authority.crt"');
        response.send(pem);
      },
    }),
  ];
}
