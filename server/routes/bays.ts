import type { BAY_ROUTES } from '#formats/api';
import { simulatedThermoHygrometer } from '../devices/thermo-hygrometer';
import { type GlossMeter, simulatedGlossMeter } from '../devices/gloss-meter';
import { simulatedThicknessGauge, type ThicknessGauge } from '../devices/thickness-gauge';
import { yardWeather } from '../devices/yard-forecast';
import { openEventStream } from '../http/event-stream';
import type { Handlers } from '../http/call';
import { silent } from '../http/problem';
import type { Services } from '../services';

/** How often a thermo-hygrometer that is listened to sends, ms. */
const READING_EVERY_MS = 2000;
/** How often a probe that is walked over a panel takes a reading, ms. */
const WALK_MS = 700;

/** Where a real gauge would be asked. */
const gauge: ThicknessGauge = simulatedThicknessGauge;
/** Where a real meter would be asked. */
const glossMeter: GlossMeter = simulatedGlossMeter;

export function bayHandlers({ bays, bayAir, now }: Services): Handlers<typeof BAY_ROUTES> {
  return {
    bays: () => bays.all(),
    saveBay: ({ params, version, body }) => bays.put(params.id, version, body),
    removeBay: ({ params, version }) => bays.remove(params.id, version),
    bayAir: ({ params, query }) => bayAir.history(params.id, query.days, query.points),
    takeAir: ({ params, body }) => ({ added: bayAir.take(params.id, body) }),
    reading({ params }) {
      const bay = bays.get(params.id);
      const reading = simulatedThermoHygrometer(bay).read(now());
      if (!reading) throw silent(bay.name);
      return reading;
    },
    readings({ params, response }) {
      const instrument = simulatedThermoHygrometer(bays.get(params.id));
      const stream = openEventStream(response);
      const send = () => {
        const reading = instrument.read(now());
        if (reading) stream.send('reading', reading);
        else stream.send('silent', {});
      };
      send();
      const timer = setInterval(send, READING_EVERY_MS);
      stream.onClose(() => clearInterval(timer));
    },
    yardForecast: () => yardWeather.forecast(now()),
    takeThickness: ({ body }) => ({ um: gauge.read(body), simulated: gauge.simulated }),
    thicknessWalk({ query: spot, response }) {
      const stream = openEventStream(response);
      let { nth } = spot;
      const walking = setInterval(() => {
        stream.send('reading', { um: gauge.read({ ...spot, nth }), simulated: gauge.simulated });
        nth += 1;
      }, WALK_MS);
      stream.onClose(() => clearInterval(walking));
    },
    takeGloss: ({ body }) => ({ gu: glossMeter.read(body), simulated: glossMeter.simulated }),
  };
}
