import { type Bay, USUAL_ROOM } from '#formats/job';
import { errorText, useSaveBayMutation } from '../../app/api';
import { Part } from '../../job/Station';
import { NumberField } from '../../ui/NumberField';

type Room = NonNullable<Bay['room']>;

const perHour = (value: number) => (value >= 0 && value < 200 ? undefined : '0 to 200');

/** How large a bay is and how its air is changed: what the vapour of a job is worked out from. */
export function BayRoom({ bay }: { readonly bay: Bay }) {
  const [save, { error }] = useSaveBayMutation();
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
      <p className="mt-2 text-[13px] text-ink-2">
        The vapour of a job in this bay is worked out from it, under Time: Ready and cure.
      </p>
      {error && (
        <p role="alert" className="mt-1 text-stop">
          {errorText(error)}
        </p>
      )}
    </Part>
  );
}
