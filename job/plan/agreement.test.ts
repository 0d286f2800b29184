import { foldLog, runSheet } from '#core/lay/run';
import { ternmouthYard } from '#demo';
import { instantAfter } from '#formats/values';
import { planFile, planInput, runsheetFile } from '.';

describe('one planner', () => {
  const samples = ternmouthYard('2027-03-02T10:00:00+01:00').jobs.map(({ id, draft }) => [id, draft.document] as const);

  test.each(samples)('%s: the plan, the run sheet and the bay tell the same', (_id, document) => {
    const plan = planFile(document);
    const sheet = runsheetFile(document);
    expect(plan.ready).toEqual(sheet.ready);
    expect(plan.findings).toEqual(sheet.findings);
    const atTheBay = runSheet(planInput(document), foldLog([]), 0);
    const { handoverMin, findings } = atTheBay.plan;
    expect(plan.ready.handover).toBe(handoverMin === null ? null : instantAfter(document.startAt, handoverMin));
    expect(plan.findings).toEqual(findings);
    // Coat by coat: started with its first section, ended with its last.
    for (const { id, layers } of plan.surfaces) {
      for (const [, { product, coat, startAt, endAt, sections }] of layers.entries()) {
        const own = sheet.actions.filter(
          (action) =>
            action.surface === id &&
            action.coat === coat &&
            document.surfaces.find((surface) => surface.id === id)!.layers[action.layer]!.product === product,
        );
        const moments = (key: 'from' | 'to') => own.map((action) => action[key]).toSorted();
        expect([startAt, endAt]).toEqual([moments('from')[0] ?? null, moments('to').at(-1) ?? null]);
        expect(sections ?? 0).toBe(own.filter(({ does }) => does === 'lay').length);
      }
    }
  });
});
