import { type JobDraft, type JobInput, jobSchema } from '#formats/job';

/** A job with nothing in it but what is given, in still air of 20 °C and 50 %. */
export function plainJob(parts: Partial<JobInput>): JobDraft {
  const document = jobSchema.parse({
    format: 'glaphyra.job/1',
    title: 'Plain',
    startAt: '2027-03-02T08:30:00+01:00',
    surfaces: [],
    products: [],
    ambient: [{ atMin: 0, airC: 20, rhPct: 50 }],
    ...parts,
  });
  return { document, bayId: null, airSource: 'typed' };
}
