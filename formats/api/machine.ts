import { z } from 'zod';
import {
  keptCopiesSchema,
  networkStateSchema,
  networkSwitchSchema,
  putBackSchema,
  puttingBackSchema,
} from '#formats/people';
import { object } from '#formats/values';
import { route } from './route';

/** The machine the workshop runs on: its network, its backups, and what changes as it changes. */
export const MACHINE_ROUTES = {
  network: route({
    method: 'get',
    path: '/api/network',
    needs: 'own',
    summary: 'How the workshop is reached from outside its machine',
    answer: { status: 200, schema: networkStateSchema },
    reads: ['network'],
  }),
  switchNetwork: route({
    method: 'put',
    path: '/api/network',
    needs: 'own',
    audit: 'opened or closed the door to the network',
    summary: 'Open it to the workshop’s network, or to this machine only; it stays so at the next start',
    body: networkSwitchSchema,
    answer: { status: 200, schema: networkStateSchema },
    problems: ['conflict'],
    changes: ['network'],
  }),
  trust: route({
    method: 'get',
    path: '/api/trust',
    needs: 'nothing',
    summary: 'What a tablet has to trust, told before it is in',
    answer: { status: 200, schema: networkStateSchema.pick({ fingerprint: true }) },
  }),
  authority: route({
    method: 'get',
    path: '/api/trust/authority.crt',
    needs: 'nothing',
    summary: 'The authority tablets have to trust, as a certificate',
    answer: { status: 200, media: 'application/x-x509-ca-cert', name: 'workshop-authority.crt' },
    problems: ['not-found'],
  }),
  backups: route({
    method: 'get',
    path: '/api/backups',
    needs: 'own',
    summary: 'Backups of the workshop that are kept beside it, the latest first',
    answer: { status: 200, schema: keptCopiesSchema },
    reads: ['backup'],
  }),
  makeBackup: route({
    method: 'post',
    path: '/api/backups',
    needs: 'own',
    audit: 'made a copy of the workshop',
    summary: 'Make a backup now; answered when it was opened and checked',
    answer: { status: 201, schema: keptCopiesSchema },
    problems: ['conflict'],
    changes: ['backup'],
  }),
  backupFile: route({
    method: 'get',
    path: '/api/backups/{id}',
    needs: 'own',
    summary: 'One backup, to be kept somewhere else',
    answer: { status: 200, media: 'application/gzip' },
  }),
  restoreBackup: route({
    method: 'post',
    path: '/api/backups/{id}/restore',
    needs: 'own',
    summary: 'Restore a backup in the place of what is there, which is moved aside; it begins once this is answered',
    body: putBackSchema,
    answer: { status: 202, schema: puttingBackSchema },
    problems: ['conflict'],
  }),
  changes: route({
    method: 'get',
    path: '/api/changes',
    summary:
      'What changes, as it changes: events named "change". Resumed by Last-Event-ID or ?since= with what was missed; an event "gap" where that is no longer known',
    query: object({ since: z.string().max(200).optional() }),
    answer: { status: 200, stream: true },
  }),
};
