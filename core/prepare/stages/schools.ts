import type { CuttingSchool } from '#core/prepare/kit';

/** Where good people disagree: each a setting, with what it changes. */
export interface PrepareSchools {
  readonly iron: 'before-wash' | 'after-wash';
  readonly wheels: 'first' | 'last';
  readonly masking: 'many' | 'obvious' | 'none';
  readonly wipe: 'once' | 'twice' | 'none-over-primer';
  readonly chips: 'fill' | 'seal';
  /** Which machine cuts; a rotary never on pillars, frames and other edges. */
  readonly machine: CuttingSchool;
  readonly order: 'stage-by-stage' | 'zone-by-zone';
  readonly drying: 'blower' | 'air' | 'towel' | 'mixed';
  readonly pad: 'flat' | 'raised';
  /** What becomes of marks before a coating. */
  readonly marks: 'correct' | 'fill' | 'leave';
}

export const USUAL_SCHOOLS: PrepareSchools = {
  iron: 'after-wash',
  wheels: 'first',
  masking: 'obvious',
  wipe: 'once',
  chips: 'seal',
  machine: 'dual',
  order: 'stage-by-stage',
  drying: 'blower',
  pad: 'flat',
  marks: 'correct',
};

type Choices = {
  readonly [K in keyof PrepareSchools]: Readonly<Record<PrepareSchools[K], { name: string; changes: string }>>;
};

/** What each school is called and what choosing it changes. */
export const SCHOOL_CHOICES: Choices = {
  iron: {
    'before-wash': { name: 'Iron remover before the wash', changes: 'One rinse saved: foam goes straight over it.' },
    'after-wash': { name: 'Iron remover after the wash', changes: 'Less of it is used up by dirt.' },
  },
  wheels: {
    first: { name: 'Wheels first', changes: 'Their splashes are washed off with the rest.' },
    last: { name: 'Wheels last', changes: 'Or in a waiting time; cold by then.' },
  },
  masking: {
    many: { name: 'Tape every edge', changes: 'Every polished panel is taped round.' },
    obvious: { name: 'Tape the obvious', changes: 'Trim, rubber, matte and lamps beside what is polished.' },
    none: { name: 'No tape', changes: 'Panels are propped open instead; edges are left out by hand.' },
  },
  wipe: {
    once: { name: 'Panel wipe once', changes: 'After the prep wash.' },
    twice: { name: 'Panel wipe twice', changes: 'Twice the wipe and the time; for oily polishes.' },
    'none-over-primer': {
      name: 'None over a priming polish',
      changes: 'A priming polish is part of the coating: wiping takes it off again.',
    },
  },
  chips: {
    fill: { name: 'Chips filled first', changes: 'In thin coats with drying between.' },
    seal: { name: 'Chips sealed over', changes: 'The coating closes them; they stay visible.' },
  },
  machine: {
    dual: { name: 'Dual action only', changes: 'No buffer trails; cutting takes its time.' },
    rotary: {
      name: 'Rotary with wool on large flats',
      changes: 'Cuts in three quarters of the time and leaves trails for the refining; never on pillars and edges.',
    },
  },
  drying: {
    blower: { name: 'Blower', changes: 'A minute and a half a m²; wants power and ear protection.' },
    air: { name: 'Compressed air', changes: 'A fifth quicker, gaps first; wants power and ear protection.' },
    towel: { name: 'One large towel', changes: 'A third quicker, 0.4 towels a m², no power; gaps keep their water.' },
    mixed: { name: 'Air for the gaps, towel for the rest', changes: 'A tenth quicker, 0.25 towels a m².' },
  },
  pad: {
    flat: { name: 'Pad held flat', changes: 'Even cut, even wear.' },
    raised: {
      name: 'Leading edge slightly raised',
      changes: 'Cuts a tenth quicker; its trails make refining a tenth longer.',
    },
  },
  marks: {
    correct: { name: 'Corrected', changes: 'Polished by the level that is chosen.' },
    fill: {
      name: 'Filled and locked in',
      changes: 'No cutting: a filling or priming polish hides them, five minutes a m²; they come back when it goes.',
    },
    leave: { name: 'Left untouched', changes: 'No polishing at all, where the paint is not worth it.' },
  },
  order: {
    'stage-by-stage': {
      name: 'Stage by stage over the whole item',
      changes: 'One pad and one liquid in hand at a time; all dust is made before anything is wiped.',
    },
    'zone-by-zone': {
      name: 'Zone by zone once it is dry',
      changes: 'A finished zone can be laid while the next is cut: cover it, or its dust is wiped off again.',
    },
  },
};
