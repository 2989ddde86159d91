import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import { evaluate } from '@careful-latch/core/verdict';
import { ON_PHONE, expect, test } from './office';
import { EXAMPLES, example } from '../core/test/examples';

test(
  'the same case has the same answer on Node and in the browser, to the last working',
  ON_PHONE,
  async ({ page }) => {
    const built = await build({
      stdin: {
        contents: `import { evaluate } from './verdict'; globalThis.answer = (site) => JSON.stringify(evaluate(site));`,
        resolveDir: fileURLToPath(new URL('../core/', import.meta.url)),
      },
      bundle: true,
      format: 'iife',
      write: false,
    });
    await page.addScriptTag({ content: built.outputFiles[0]!.text });
    for (const name of EXAMPLES) {
      const site = example(name);
      const there = await page.evaluate(
        (one) => (globalThis as unknown as { answer(site: unknown): string }).answer(one),
        site as unknown,
      );
      const here = JSON.stringify(evaluate(site));
      expect([name, JSON.parse(there)]).toEqual([name, JSON.parse(here)]);
    }
  },
);
