import axe from 'axe-core';
import type { Page } from '@playwright/test';

const ALL = { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] };
/** What may differ from one theme to the other, or from one size: the rest is the same element for element. */
const COLORS = { type: 'rule', values: ['color-contrast', 'link-in-text-block'] };

/** What axe-core finds wrong on a page; its colors alone, where all of it is looked at in another theme. */
export async function complaints(page: Page, { colors = false } = {}): Promise<string[]> {
  await page.evaluate(axe.source);
  const { violations } = await page.evaluate(
    async (runOnly) => {
      const { axe: runner } = window as unknown as {
        axe: {
          run(
            context: Document,
            options: object,
          ): Promise<{ violations: { id: string; help: string; nodes: { html: string }[] }[] }>;
        };
      };
      return runner.run(document, { runOnly });
    },
    colors ? COLORS : ALL,
  );
  return violations.map((one) => `${one.id}: ${one.help} ${one.nodes[0]?.html.slice(0, 200)}`);
}

/** What can be touched and is less than 48 px high, or reaches out of its group. */
export const tooSmall = (page: Page): Promise<(string | null)[]> =>
  page.evaluate(() =>
    Array.from(document.querySelectorAll<HTMLElement>('[role=button], [role=radio], [role=link], button'))
      .filter((one) => {
        const { height, right } = one.getBoundingClientRect();
        const group = one.closest('[role=radiogroup]')?.getBoundingClientRect();
        return one.offsetParent !== null && (height < 47.5 || (group && right > group.right + 0.5));
      })
      .map((one) => one.innerText || one.getAttribute('aria-label')),
  );
