import { yardForecastSchema } from '#formats/bay';
import { gaugeReadingSchema, glossReadingSchema, glossSpotSchema, probeSpotSchema } from '#formats/job';
import { read } from '#formats/values';
import { type GlossMeter, simulatedGlossMeter } from '../devices/gloss-meter';
import { simulatedThicknessGauge, type ThicknessGauge } from '../devices/thickness-gauge';
import { yardWeather } from '../devices/yard-forecast';
import { endpoint } from '../http/endpoint';
import { openEventStream } from '../http/event-stream';

/** A probe is set down anew about this often, ms. */
const WALK_MS = 700;

/** Where a real gauge would be asked. */
const gauge: ThicknessGauge = simulatedThicknessGauge;
/** Where a real meter would be asked. */
const glossMeter: GlossMeter = simulatedGlossMeter;

export function instrumentEndpoints(now: () => Date) {
  return [
    endpoint({
      method: 'get',
      path: '/api/yard/forecast',
      summary: 'The weather outside, hour by hour for four days, with how far it may be off',
      answer: { status: 200, schema: yardForecastSchema },
      run: () => yardWeather.forecast(now()),
    }),
    endpoint({
      method: 'post',
      path: '/api/thickness-gauge/readings',
      needs: 'run',
      summary: 'Take one reading with the thickness gauge; null where there is no metal under the paint',
      body: probeSpotSchema,
      answer: { status: 200, schema: gaugeReadingSchema },
      run: ({ body }) => ({ um: gauge.read(body), simulated: gauge.simulated }),
    }),
    endpoint({
      method: 'post',
      path: '/api/gloss-meter/readings',
      needs: 'run',
      summary: 'Take one reading with the gloss meter, gloss units at 60°',
      body: glossSpotSchema,
      answer: { status: 200, schema: glossReadingSchema },
      run: ({ body }) => ({ gu: glossMeter.read(body), simulated: glossMeter.simulated }),
    }),
    endpoint({
      method: 'get',
      path: '/api/thickness-gauge/stream',
      summary: 'Readings as the probe is walked over one panel: events named "reading", from the nth on, until closed',
      answer: { status: 200, stream: true },
      run: ({ query, response }) => {
        const spot = read({ ...query, nth: Number(query.nth) }, probeSpotSchema);
        const stream = openEventStream(response);
        let { nth } = spot;
        const walking = setInterval(() => {
          stream.send('reading', { um: gauge.read({ ...spot, nth }), simulated: gauge.simulated });
          nth += 1;
        }, WALK_MS);
        stream.onClose(() => clearInterval(walking));
      },
    }),
  ];
}
