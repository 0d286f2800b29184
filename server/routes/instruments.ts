import { gaugeReadingSchema, probeSpotSchema } from '#formats';
import { simulatedThicknessGauge } from '../devices/thickness-gauge';
import { endpoint } from '../http/endpoint';

export function instrumentEndpoints() {
  return [
    endpoint({
      method: 'post',
      path: '/api/thickness-gauge/readings',
      summary: 'Take one reading with the thickness gauge; null where there is no metal under the paint',
      body: probeSpotSchema,
      answer: { status: 200, schema: gaugeReadingSchema },
      run: ({ body }) => ({ um: simulatedThicknessGauge.read(body) }),
    }),
  ];
}
