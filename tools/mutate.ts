/**
 * npm run mutate [-- PART…]: makes one mistake after the other in core/rules, core/contradictions and core/codebook and says which no test notices.
 * PART keeps to files whose path contains it. Survivors that are no mistakes stand in tools/mutate-accepted.json, each with its reason.
 */
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker, isMainThread, parentPort, workerData } from 'node:worker_threads';
import { Script, createContext } from 'node:vm';
import { build } from 'esbuild';
import { instrument, type Mutant } from './mutants';

const root = fileURLToPath(new URL('..', import.meta.url));
const core = join(root, 'core');
const WORKERS = 2;

interface Accepted {
  readonly file: string;
  readonly was: string;
  readonly is: string;
  readonly reason: string;
}

const walk = (folder: string): string[] =>
  readdirSync(join(core, folder), { recursive: true, encoding: 'utf8' }).map((file) => `${folder}/${file}`);
const files = [...walk('rules'), ...walk('contradictions'), ...walk('codebook')].filter((file) => file.endsWith('.ts'));
const sources = files.filter((file) => !file.endsWith('.test.ts') && !file.endsWith('index.ts')).sort();
const tests = [...files.filter((file) => file.endsWith('.test.ts')), 'verdict/examples.test.ts'];
/** The tests that should notice: those of the same folder. */
const nearest = (file: string) =>
  tests.filter((test) => test.slice(0, test.lastIndexOf('/')) === file.slice(0, file.lastIndexOf('/')));

/** Everything in one script, every mistake asleep in it; `run(tests)` runs test files and tells whether all passed. */
async function bundle(): Promise<{ script: Script; mutants: Mutant[] }> {
  const mutants: Mutant[] = [];
  const texts = new Map<string, string>();
  for (const file of sources) {
    const made = instrument(file, join(core, file), mutants.length + 1);
    mutants.push(...made.mutants);
    texts.set(join(core, file), made.text);
  }
  const entry = tests.map((test) => `'${test}': () => require('./${test}'),`).join('\n');
  const built = await build({
    stdin: { contents: `globalThis.suites = {${entry}}`, resolveDir: core, loader: 'ts' },
    bundle: true,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    write: false,
    logLevel: 'error',
    plugins: [
      {
        name: 'mutants',
        setup: ({ onLoad }) => {
          onLoad({ filter: /core\/(rules|contradictions|codebook)\/.*\.ts$/ }, ({ path }) => {
            const contents = texts.get(path);
            return contents === undefined ? undefined : { contents, loader: 'ts' };
          });
        },
      },
    ],
  });
  return { script: new Script(built.outputFiles[0]!.text), mutants };
}

const require = createRequire(join(core, 'verdict', 'x.js'));
const { expect } = require('expect') as { expect: unknown };

/** Whether every test of some files passes with a mistake awake. */
function passes(script: Script, mutant: number, only: readonly string[]): boolean {
  const queue: (() => unknown)[] = [];
  const test = Object.assign((_name: string, act: () => unknown) => void queue.push(act), {
    each: (rows: readonly unknown[]) => (_name: string, act: (...row: unknown[]) => unknown) =>
      rows.forEach((row) => queue.push(() => (Array.isArray(row) ? act(...(row as unknown[])) : act(row)))),
  });
  const context = createContext({
    mutant, require, expect, test, describe: (_: string, act: () => void) => act(), console, module: {}, exports: {}, __dirname: join(core, 'verdict'),
    process, Buffer, setTimeout, structuredClone,
  }) as { suites: Record<string, () => void> }; // prettier-ignore
  try {
    script.runInContext(context as never);
    for (const file of only) context.suites[file]!();
    for (const act of queue) act();
    return true;
  } catch {
    return false;
  }
}

async function work(): Promise<void> {
  const { script } = await bundle();
  parentPort!.on('message', (mutant: Mutant | undefined) => {
    if (!mutant) process.exit(0);
    const near = nearest(mutant.file);
    const survived =
      passes(script, mutant.id, near) &&
      passes(
        script,
        mutant.id,
        tests.filter((test) => !near.includes(test)),
      );
    parentPort!.postMessage({ mutant, survived });
  });
  parentPort!.postMessage({});
}

async function main(): Promise<void> {
  const parts = process.argv.slice(2);
  const { script, mutants } = await bundle();
  if (!passes(script, 0, tests)) throw new Error('The tests fail without any mistake; mend them first.');
  const queue = mutants.filter(({ file }) => parts.length === 0 || parts.some((part) => file.includes(part)));
  const all = queue.length;
  const acceptedFile = join(root, 'tools', 'mutate-accepted.json');
  const accepted = existsSync(acceptedFile) ? (JSON.parse(readFileSync(acceptedFile, 'utf8')) as Accepted[]) : [];
  const survivors: Mutant[] = [];
  let done = 0;
  await Promise.all(
    Array.from(
      { length: WORKERS },
      () =>
        new Promise<void>((resolve, reject) => {
          const worker = new Worker(new URL(process.argv[1]!, 'file://'), { workerData: true });
          worker.on('error', reject).on('exit', () => resolve());
          worker.on('message', ({ mutant, survived }: { mutant?: Mutant; survived?: boolean }) => {
            if (mutant && ++done % 200 === 0) console.log(`· ${done} of ${all}`);
            if (mutant && survived) survivors.push(mutant);
            worker.postMessage(queue.shift());
          });
        }),
    ),
  );
  const same = (one: Mutant) =>
    accepted.find((each) => each.file === one.file && each.was === one.was && each.is === one.is);
  const unexplained = survivors.filter((one) => !same(one)).sort((a, b) => a.id - b.id);
  for (const one of unexplained) console.log(`survived  core/${one.file}:${one.line}  ${one.was}  →  ${one.is}`);
  for (const one of survivors)
    if (same(one))
      console.log(`accepted  core/${one.file}:${one.line}  ${one.was}  →  ${one.is}: ${same(one)!.reason}`);
  console.log(
    `${all} mistakes, ${all - survivors.length} noticed, ${survivors.length - unexplained.length} accepted with a reason, ${unexplained.length} survived`,
  );
  process.exitCode = unexplained.length > 0 ? 1 : 0;
}

if (isMainThread && !workerData) await main();
else await work();
