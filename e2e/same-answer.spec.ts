import { readFileSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';
import { evaluate } from '@careful-latch/core/verdict';
import { ON_PHONE, expect, test } from './office';
import { example } from './walk';

const folder = new URL('../examples/', import.meta.url);

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
    for (const file of readdirSync(folder).filter((name) => name.endsWith('.json'))) {
      const site: unknown = JSON.parse(readFileSync(new URL(file, folder), 'utf8'));
      const there = await page.evaluate(
        (one) => (globalThis as unknown as { answer(site: unknown): string }).answer(one),
        site,
      );
      const here = JSON.stringify(evaluate(example(file.replace('.json', ''))));
      expect([file, JSON.parse(there)]).toEqual([file, JSON.parse(here)]);
    }
  },
);
