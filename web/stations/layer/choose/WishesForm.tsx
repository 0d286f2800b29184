import { CIRCUMSTANCE_IDS, type CircumstanceId, CIRCUMSTANCES, USUAL_EXPOSURE } from '#core/layers/life';
import { type Concern, CONCERN_NAMES, CONCERNS, FILM_WISH_NAMES, FILM_WISHES } from '#core/choose/stacks';
import { wishesOf } from '#job/choose';
import { changeOwner, changePrepare, changeWishes } from '#job/edit';
import { Part } from '../../../job/Station';
import { useJob } from '../../../job/job-context';
import { NumberField } from '../../../ui/NumberField';
import { Segmented } from '../../../ui/Segmented';
import { Tick } from '../../../ui/Tick';
import { SelectField } from '../../../ui/SelectField';

const MONTHS_PER_YEAR = 12;
const MINOR = 100;
const WEIGHTS = [
  ['0', 'no'],
  ['1', 'some'],
  ['2', 'much'],
  ['3', 'most'],
] as const;

/** What matters to the owner, what is given, and how the item lives. */
export function WishesForm() {
  const { document, edit } = useJob('document', 'edit');
  const wishes = wishesOf(document);
  const { currency } = document;
  const setConcern = (concern: Concern, weight: string) =>
    edit(changeWishes({ concerns: { ...wishes.concerns, [concern]: Number(weight) as 0 | 1 | 2 | 3 } }));
  return (
    <>
      <Part title="What matters">
        <Segmented
          label="Money that counts"
          value={wishes.count}
          options={[
            ['kept', 'All of it while it is kept'],
            ['first', 'What is paid now'],
          ]}
          onChange={(count) => count && edit(changeWishes({ count }))}
        />
        <div className="mt-3 grid grid-cols-2 gap-3">
          {CONCERNS.map((concern) => (
            <SelectField
              key={concern}
              label={CONCERN_NAMES[concern]}
              value={String(wishes.concerns[concern] ?? 0)}
              options={WEIGHTS.map(([value, name]) => [value as string, name] as const)}
              onChange={(weight) => setConcern(concern, weight)}
            />
          ))}
          <SelectField
            label="Film"
            value={wishes.film}
            options={FILM_WISHES.map((id) => [id, FILM_WISH_NAMES[id]] as const)}
            onChange={(film) => edit(changeWishes({ film }))}
          />
          <NumberField
            label="Kept for"
            unit="years"
            value={wishes.keptMonths / MONTHS_PER_YEAR}
            check={(value) => (value > 0 && value <= 60 ? undefined : 'more than 0, at most 60')}
            onChange={(yearsPlanned) => edit(changePrepare({ yearsPlanned }))}
          />
        </div>
      </Part>
      <Part title="What is given">
        <div className="grid grid-cols-2 gap-3">
          <NumberField
            optional
            label="Money now, at most"
            unit={currency}
            value={wishes.mostMoney === undefined ? undefined : wishes.mostMoney / MINOR}
            check={(value) => (value > 0 ? undefined : 'more than 0')}
            onChange={(money) =>
              edit(changeWishes({ mostMoney: money === undefined ? undefined : Math.round(MINOR * money) }))
            }
          />
          <NumberField
            optional
            label="Hours of laying, at most"
            unit="h"
            value={wishes.mostHours}
            check={(value) => (value > 0 ? undefined : 'more than 0')}
            onChange={(mostHours) => edit(changeWishes({ mostHours }))}
          />
          <NumberField
            optional
            label="Handed over within"
            unit="days"
            value={wishes.mostDays}
            check={(value) => (value > 0 ? undefined : 'more than 0')}
            onChange={(mostDays) => edit(changeWishes({ mostDays }))}
          />
          <NumberField
            optional
            label="Lasts at least"
            unit="months"
            value={wishes.leastMonths}
            check={(value) =>
              value > 0 && value <= wishes.keptMonths
                ? undefined
                : `more than 0, at most ${wishes.keptMonths}: so long it is kept`
            }
            onChange={(leastMonths) => edit(changeWishes({ leastMonths }))}
          />
          <NumberField
            optional
            label="Different products, at most"
            value={wishes.mostProducts}
            check={(value) => (Number.isInteger(value) && value > 0 ? undefined : 'a whole number')}
            onChange={(mostProducts) => edit(changeWishes({ mostProducts }))}
          />
          <NumberField
            label="Hour of work"
            unit={currency}
            value={wishes.hourRate / MINOR}
            check={(value) => (value >= 0 && value < 10_000 ? undefined : '0 to 10,000')}
            onChange={(rate) =>
              edit(changePrepare({ hourRate: rate === undefined ? undefined : Math.round(rate * MINOR) }))
            }
          />
        </div>
        <div className="mt-2">
          <Tick
            label="Left and right alike"
            on={wishes.twinsAlike}
            onChange={(twinsAlike) => edit(changeWishes({ twinsAlike }))}
          />
          <Tick
            label="Only what is in stock"
            on={wishes.inHandOnly === true}
            onChange={(inHandOnly) => edit(changeWishes({ inHandOnly }))}
          />
          <Tick
            label="Also what the bay’s air does not allow: it is warmed or dried for it"
            on={wishes.anyAir === true}
            onChange={(anyAir) => edit(changeWishes({ anyAir }))}
          />
          <Tick
            label="What wants a hidden test spot, too"
            on={wishes.testSpots}
            onChange={(testSpots) => edit(changeWishes({ testSpots }))}
          />
          <Tick
            label="Coats beyond the second are worth laying"
            on={wishes.beyondTwo}
            onChange={(beyondTwo) => edit(changeWishes({ beyondTwo }))}
          />
        </div>
      </Part>
      <Part title="How it lives">
        <div className="grid grid-cols-2 gap-3">
          {CIRCUMSTANCE_IDS.map((id) => (
            <Circumstance key={id} id={id} />
          ))}
        </div>
      </Part>
    </>
  );
}

function Circumstance({ id }: { readonly id: CircumstanceId }) {
  const job = useJob('document', 'edit');
  const { name, choices } = CIRCUMSTANCES[id];
  const value: string = job.document.owner?.[id] ?? USUAL_EXPOSURE[id];
  return (
    <SelectField
      label={name}
      value={value}
      options={Object.entries(choices).map(([key, choice]) => [key, choice.name] as const)}
      onChange={(next) => job.edit(changeOwner({ [id]: next }))}
    />
  );
}
