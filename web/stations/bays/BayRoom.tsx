import { type Bay, USUAL_ROOM } from '#formats/job';
import { errorText } from '../../app/api';
import { useSaveBay } from '../../app/calls';
import { LAMP_IDS, LAMPS } from '#core/lay/cure';
import { Part } from '../../job/Station';
import { NumberField } from '../../ui/NumberField';
import { OfferTicks } from '../../ui/OfferTicks';
import { Tick } from '../../ui/Tick';

type Room = NonNullable<Bay['room']>;

const perHour = (value: number) => (value >= 0 && value < 200 ? undefined : '0 to 200');

/** How large a bay is and how its air is changed: what the vapour of a job is worked out from. */
export function BayRoom({ bay }: { readonly bay: Bay }) {
  const [save, { error }] = useSaveBay();
  const room: Room = bay.room ?? USUAL_ROOM;
  const change = (changes: Partial<Room>) => void save({ ...bay, room: { ...room, ...changes } });
  const door = room.doorOpen ?? { airChangesPerHour: 12, airSpeed: 0.4 };
  return (
    <Part title="The room">
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          optional
          label="Volume"
          unit="m³"
          value={bay.room?.volumeM3}
          check={(value) => (value > 0 && value < 100_000 ? undefined : 'more than 0')}
          onChange={(volumeM3) => (volumeM3 === undefined ? void save({ ...bay, room: null }) : change({ volumeM3 }))}
        />
        <NumberField
          optional
          label="Air changes, door shut"
          unit="/h"
          value={bay.room?.airChangesPerHour}
          check={perHour}
          onChange={(airChangesPerHour) => airChangesPerHour !== undefined && change({ airChangesPerHour })}
        />
        <NumberField
          optional
          label="Air changes, door open"
          unit="/h"
          value={bay.room?.doorOpen?.airChangesPerHour}
          check={perHour}
          onChange={(airChangesPerHour) =>
            change({ doorOpen: airChangesPerHour === undefined ? undefined : { ...door, airChangesPerHour } })
          }
        />
        <NumberField
          optional
          label="Draught, door open"
          unit="m/s"
          value={bay.room?.doorOpen?.airSpeed}
          check={(value) => (value >= 0 && value <= 20 ? undefined : '0 to 20 m/s')}
          onChange={(airSpeed) => change({ doorOpen: airSpeed === undefined ? undefined : { ...door, airSpeed } })}
        />
      </div>
      <h3 className="label mt-3">What there is to work with</h3>
      <div className="grid grid-cols-2 gap-x-3">
        <OfferTicks offers={room.offers} onChange={(offers) => change({ offers: { ...room.offers, ...offers } })} />
      </div>
      <h3 className="label mt-3">Curing lamps</h3>
      <div className="grid grid-cols-2 gap-x-3">
        {LAMP_IDS.map((id) => (
          <Tick
            key={id}
            label={LAMPS[id].name}
            on={room.lamps?.includes(id) ?? false}
            onChange={(on) =>
              change({ lamps: LAMP_IDS.filter((each) => (each === id ? on : room.lamps?.includes(each))) })
            }
          />
        ))}
      </div>
      <p className="mt-2 text-[13px] text-ink-2">
        A job that is moved here finds what there is to work with, under Prepare, and these lamps under Time. The vapour
        of a job in this bay is worked out from it, under Time: Ready and cure.
      </p>
      {error && (
        <p role="alert" className="mt-1 text-stop">
          {errorText(error)}
        </p>
      )}
    </Part>
  );
}
