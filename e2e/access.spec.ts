import AxeBuilder from '@axe-core/playwright';
import { expect, goOn, test } from './workshop';

const VIEWS = [
  '/',
  '/new',
  '/shelf',
  '/shelf/ledger-base',
  '/shelf/preparation',
  '/shelf/rules',
  '/jobs/teal-hatchback/survey',
  '/jobs/teal-hatchback/survey?panel=bonnet',
  '/jobs/teal-hatchback/survey?lens=condition&panel=bonnet',
  '/jobs/teal-hatchback/survey?lens=map',
  '/jobs/teal-hatchback/prepare',
  '/jobs/teal-hatchback/prepare?panel=bonnet',
  '/items',
  '/items/hatchback-of-imke-varga',
  '/jobs/two-seater/layer?panel=door-window-left',
  '/jobs/teal-hatchback/layer',
  '/jobs/taped-shuttle/layer?view=choose',
  '/jobs/teal-hatchback/layer?view=offers',
  '/jobs/teal-hatchback/quantify',
  '/jobs/teal-hatchback/quantify?panel=roof',
  '/jobs/taped-tourer/time',
  '/jobs/taped-tourer/time?panel=tank',
  '/jobs/teal-hatchback/time?view=go&panel=bonnet',
  '/jobs/satin-tourer/time?view=days',
  '/bays',
  '/jobs/teal-hatchback/run',
  '/jobs/teal-hatchback/check',
  '/jobs/slate-estate/check',
  '/jobs/slate-estate/hand-over',
  '/jobs/two-door-classic/care',
  '/jobs/two-door-classic/care?panel=bonnet',
  '/calendar',
  '/nowhere',
];

/** The net is the same part everywhere and has hundreds of nodes: it is looked at whole here, and passed over elsewhere. */
const NET_LOOKED_AT = [
  '/jobs/teal-hatchback/survey?lens=condition&panel=bonnet',
  '/jobs/taped-shuttle/layer?view=choose',
];

// By halves, so that two run beside each other.
for (const half of [0, 1]) {
  test(`nothing serious stands in anybody's way, in any theme: ${half + 1} of 2`, async ({ page }) => {
    test.slow();
    // A colour on its way from one theme to the other is none of either.
    await page.emulateMedia({ reducedMotion: 'reduce' });
    for (const [index, view] of VIEWS.entries()) {
      if (index % 2 !== half) continue;
      await goOn(page, view);
      // Colours are tokens of the theme: every view is looked at by day, every fourth in each of the others.
      for (const theme of ['light', ...[['dark'], [], ['contrast'], []][(index >> 1) % 4]!]) {
        await page.evaluate((name) => (document.documentElement.dataset.theme = name), theme);
        // Nothing is framed from elsewhere: its findings need no page of their own to be put together in.
        const whole = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] });
        const axe = NET_LOOKED_AT.includes(view) ? whole : whole.exclude('[role=listbox]');
        // A theme changes colours only: names, roles and order were looked at by day.
        const { violations } = await (theme === 'light' ? axe : axe.withRules(['color-contrast'])).analyze();
        const grave = violations
          .filter(({ impact }) => impact === 'serious' || impact === 'critical')
          .map(
            ({ id, nodes }) => `${view}, ${theme}: ${id} at ${nodes.map(({ target }) => String(target)).join(' | ')}`,
          );
        expect(grave).toEqual([]);
      }
    }
  });
}

test('targets in the bay are large enough for gloves', async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 768 });
  await page.goto('/jobs/teal-hatchback/run');
  for (const button of await page.getByRole('main').getByRole('button').all()) {
    const box = (await button.boundingBox())!;
    expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(64);
  }
});
