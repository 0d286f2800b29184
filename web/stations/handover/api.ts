import type { Handover, NewHandover, PassportFile, PassportRead } from '#formats/passport';
import type { JobRecord } from '#formats/job';
import { api } from '../../app/api';

/** Hand-overs and passports, as the server tells them. */
const handoverApi = api.injectEndpoints({
  endpoints: (build) => ({
    handovers: build.query<Handover[], string>({
      query: (job) => `jobs/${job}/handovers`,
      providesTags: (_result, _error, id) => [{ type: 'Handovers', id }],
    }),
    handOver: build.mutation<Handover, NewHandover & { job: string }>({
      query: ({ job, ...body }) => ({ url: `jobs/${job}/handovers`, method: 'POST', body }),
      invalidatesTags: (_result, _error, { job }) => [{ type: 'Handovers', id: job }],
    }),
    shop: build.query<{ name: string }, void>({ query: () => 'shop', providesTags: ['Handovers'] }),
    nameShop: build.mutation<{ name: string }, { name: string }>({
      query: (body) => ({ url: 'shop', method: 'PUT', body }),
      invalidatesTags: ['Handovers'],
    }),
    readPassport: build.mutation<PassportRead, PassportFile>({
      query: (body) => ({ url: 'passports/read', method: 'POST', body }),
    }),
    takePassport: build.mutation<JobRecord, PassportFile>({
      query: (body) => ({ url: 'passports/take', method: 'POST', body }),
      invalidatesTags: ['Jobs', 'Items'],
    }),
  }),
});

export const {
  useHandoversQuery,
  useHandOverMutation,
  useShopQuery,
  useNameShopMutation,
  useReadPassportMutation,
  useTakePassportMutation,
} = handoverApi;
