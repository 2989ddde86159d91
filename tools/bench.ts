/** npm run bench: absolute figures with ratios beside them. Builds and starts what it needs; names of parts may be given: core, web. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium as browserType, type CDPSession, type Locator, type Page } from '@playwright/test';
import { Bench } from 'tinybench';
import { Engine } from 'json-rules-engine';
import { factAt, metaOf, parseCase, readCase, recordedFacts, withFact, type Case } from '@careful-latch/core/case';
import { Look, ON_SOURCE, solveHouse } from '@careful-latch/core/electrical';
import { explore, mechanism, type Defects } from '@careful-latch/core/interlock';
import { RULES } from '@careful-latch/core/rules';
import { evaluate } from '@careful-latch/core/verdict';
import { Office } from '../e2e/server';
import { EXAMPLES, example } from '../core/test/examples';
import { Walker } from '../e2e/walk';
import { buildApplication } from './build.mjs';
import { chromium } from './chromium.mjs';
import { startCluster } from './database.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const wanted = process.argv.slice(2);
const wants = (part: string) => wanted.length === 0 || wanted.includes(part);

function table(title: string, rows: Record<string, string | number>[]): void {
  console.log(`\n${title}`);
  console.table(rows);
}

const ms = (value: number) => (value < 0.01 ? `${(value * 1000).toFixed(2)} µs` : `${value.toFixed(3)} ms`);

const NS = 1e6;

async function measured(bench: Bench, title: string): Promise<void> {
  await bench.run();
  const base = bench.tasks[0]!.result!.latency.p50!;
  table(
    title,
    bench.tasks.map(({ name, result }) => ({
      what: name,
      median: ms(result!.latency.p50!),
      p99: ms(result!.latency.p99!),
      ratio: `${(result!.latency.p50! / base).toFixed(2)} ×`,
    })),
  );
}

async function core(): Promise<void> {
  const complete = example('case-1-interlock-holds');
  const broken = example('case-3-attic-68c');
  const text = JSON.stringify(complete);
  const full = example('ok-load-side-switch');
  const worst: Defects = {
    loose: true,
    trimmed: true,
    wrongSpacing: true,
    tieMissing: true,
    breakerNotHeld: true,
    coverOff: true,
  };
  await measured(
    new Bench({ time: 1500, warmupTime: 300 })
      .add('copy of the case (structuredClone), the measure of the ratios', () => void structuredClone(complete))
      .add('one full evaluation, complete case', () => void evaluate(complete))
      .add('one full evaluation, two stretches, two violations', () => void evaluate(broken))
      .add('one fact set and evaluated again', () => void evaluate(withFact(complete, 'breaker.ratingA', 50)))
      .add('one full evaluation, every working written out', () => void JSON.stringify(evaluate(complete)))
      .add('a case read and checked', () => void readCase(complete))
      .add('a case parsed, checked and evaluated', () => {
        const read = parseCase(text);
        if (read.ok) evaluate(read.case);
      })
      .add('network of a full house, built and solved', () => {
        solveHouse(new Look(full), { ...ON_SOURCE, loadsW: { A: 2000, B: 1500, both: 1000 } });
      })
      .add('interlock search, the largest mechanism, every state', () => {
        const machine = mechanism('sliding-plate', worst);
        explore(machine, () => false);
      }),
    `Core, ${RULES.length} rules. Targets: evaluation 1 ms median; network 0.2 ms; search 5 ms. Largest mechanism: ${explore(mechanism('sliding-plate', worst), () => false).reached.length} states.`,
  );
  await againstRuleEngine(complete);
  growth(complete);
  throughput();
}

/** The same twenty requirements in a general rule engine from the registry. */
async function againstRuleEngine(complete: Case): Promise<void> {
  const ids = [
    'breaker/held-down', 'breaker/listed-for-panel', 'breaker/suitable-for-backfeed', 'breaker/both-legs', 'breaker/position-for-interlock',
    'breaker/interrupting-rating', 'breaker/two-pole-common-trip', 'inlet/is-male-inlet', 'inlet/rated-for-source-outlet', 'inlet/breaker-not-above-inlet',
    'inlet/listed', 'inlet/pins-dead-when-open', 'transfer/listed-for-panel', 'transfer/unaltered', 'siting/outdoors',
    'siting/exhaust-away', 'grounding/path-continuous', 'function/dead-pins', 'panel/bus-rating', 'labels/generator-breaker',
  ]; // prettier-ignore
  const own = ids.map((id) => RULES.find((rule) => rule.id === id)!);
  const is = (fact: string, value: unknown) => [{ fact, operator: 'equal', value }];
  const within = (fact: string, limit: string) => [{ fact, operator: 'lessThanInclusive', value: { fact: limit } }];
  const demands: Readonly<Record<string, object[]>> = {
    'breaker/held-down': is('breaker.heldDown', 'yes'),
    'breaker/listed-for-panel': is('breaker.listedForPanel', 'yes'),
    'breaker/suitable-for-backfeed': is('breaker.lineLoadMarked', 'no'),
    'breaker/both-legs': is('breaker.acrossBothLegs', 'yes'),
    'breaker/position-for-interlock': is('breaker.atInterlock', 'yes'),
    'breaker/interrupting-rating': within('breaker.availableKa', 'breaker.interruptingKa'),
    'breaker/two-pole-common-trip': is('breaker.construction', 'common-trip'),
    'inlet/is-male-inlet': is('inlet.gender', 'pins'),
    'inlet/rated-for-source-outlet': within('source.outletBreakerA', 'inlet.ratingA'),
    'inlet/breaker-not-above-inlet': within('breaker.ratingA', 'inlet.ratingA'),
    'inlet/listed': is('inlet.listed', 'yes'),
    'inlet/pins-dead-when-open': is('inlet.pinsDead', 'yes'),
    'transfer/listed-for-panel': is('transfer.listedForPanel', 'yes'),
    'transfer/unaltered': is('transfer.alteration', 'none'),
    'siting/outdoors': is('siting.place', 'outdoors'),
    'siting/exhaust-away': is('siting.exhaustAway', 'yes'),
    'grounding/path-continuous': [{ fact: 'grounding.frameToPanelOhm', operator: 'lessThanInclusive', value: 1 }],
    'function/dead-pins': [{ fact: 'function.pinsV', operator: 'lessThanInclusive', value: 3 }],
    'panel/bus-rating': within('panel.mainA', 'panel.busA'),
    'labels/generator-breaker': is('labels.generatorBreaker', 'yes'),
  };
  const engine = new Engine(
    ids.map((id) => ({ name: id, conditions: { all: demands[id]! } as never, event: { type: id } })),
    { allowUndefinedFacts: true },
  );
  const facts = Object.fromEntries(recordedFacts(complete).map((path) => [path, factAt(complete, path)]));
  const { events } = await engine.run(facts);
  const held = evaluate(complete, { rules: own }).outcomes.filter((one) => one.outcome === 'holds').length;
  if (events.length !== ids.length || held !== ids.length)
    throw new Error(`the two engines disagree: ${events.length} and ${held} of ${ids.length} hold`);
  await measured(
    new Bench({ time: 1500, warmupTime: 300 })
      .add('Careful Latch, with reasons', () => void evaluate(complete, { rules: own }))
      .add('json-rules-engine, yes or no alone', async () => void (await engine.run(facts))),
    'The same 20 requirements, all holding. Target: at least 20 ×.',
  );
}

/** Time of one evaluation as rules and cases grow. */
function growth(complete: Case): void {
  const perCase = (rules: typeof RULES, cases: number) => {
    const began = process.hrtime.bigint();
    for (let i = 0; i < cases; i++) evaluate(complete, { rules });
    return Number(process.hrtime.bigint() - began) / NS / cases;
  };
  const counts = [10, 25, 50, RULES.length];
  for (const count of counts) perCase(RULES.slice(0, count), 2000);
  table(
    'Growth: ms for a case.',
    counts.map((count) => ({
      rules: count,
      ...Object.fromEntries(
        [100, 1000, 10_000].map((cases) => [`${cases} cases`, ms(perCase(RULES.slice(0, count), cases))]),
      ),
      'a rule': `${((perCase(RULES.slice(0, count), 1000) / count) * 1000).toFixed(2)} µs`,
    })),
  );
}

/** Enough that the first two thousand, while Node still compiles the rules, don’t decide. */
const CASES = 5_000;

/** A fact of a case at random, as recorded at another house: one of its plates, or else any amount that can be meant. */
function drawn(c: Case, path: string, upTo: (count: number) => number): Case {
  const { kind, min = 0, max = 0, choices } = metaOf(path);
  const plate = choices.length > 0 ? choices[upTo(choices.length)]!.value : String(factAt(c, path));
  if (kind !== 'amount') return withFact(c, path, plate);
  return withFact(c, path, Math.min(max, min + Math.round(((max - min) * upTo(1000)) / 1000)));
}

/** The examples, and houses that have little in common: of each a dozen facts redrawn, or all of them. */
function manyCases(): { kind: string; cases: Case[] }[] {
  const examples = EXAMPLES.map(example);
  let seed = 1;
  const upTo = (count: number) => (seed = (seed * 48_271) % 2_147_483_647) % count;
  const cases = Array.from({ length: 2 * CASES }, (_, i) => examples[i % examples.length]!);
  const changed = (c: Case, count: number): Case => {
    for (let i = 0; i < count; i++) {
      const facts = recordedFacts(c);
      c = drawn(c, facts[upTo(facts.length)]!, upTo);
    }
    return c;
  };
  return [
    { kind: `${examples.length} examples, over and over`, cases },
    { kind: 'a dozen facts of each redrawn', cases: cases.map((c) => changed(c, 12)) },
    {
      kind: 'every fact redrawn',
      cases: cases.map((c) => recordedFacts(c).reduce((now, path) => drawn(now, path, upTo), c)),
    },
  ];
}

/** How a program is held to one core, where this machine can do it. */
function onOneCore(): string[] {
  const { stdout } = spawnSync('taskset', ['-cp', String(process.pid)], { encoding: 'utf8' });
  const core = /: *(\d+)/.exec(stdout ?? '')?.[1];
  return core === undefined ? [] : ['taskset', '-c', core];
}
const ONE_CORE = onOneCore();

/** The command line on standard input. */
const [program, ...programArgs] = [
  ...ONE_CORE,
  process.execPath,
  join(root, 'tools', 'run.mjs'),
  'tools/check.ts',
  '-',
];

/** Many cases through the command line, as lines on standard input. */
function throughput(): void {
  const run = (input: string, ...args: string[]) => {
    const began = performance.now();
    const { stdout } = spawnSync(program!, [...programArgs, ...args], {
      input,
      maxBuffer: 2 ** 31 - 1,
    });
    const tookMs = performance.now() - began;
    let lines = 0;
    for (let at = stdout.indexOf('\n'); at >= 0; at = stdout.indexOf('\n', at + 1)) lines++;
    return { tookMs, lines };
  };
  run(''); // may have to make the bundle first
  const startMs = Math.min(...[1, 2, 3].map(() => run('').tookMs));
  const rows = manyCases().flatMap(({ kind, cases }) =>
    [[], ['--json']].map((args) => {
      const lines = cases.map((c) => JSON.stringify(c));
      const timed = (all: readonly string[]) => {
        const done = run(all.join('\n'), ...args);
        if (done.lines !== all.length) throw new Error(`${done.lines} answers for ${all.length} cases`);
        return done.tookMs;
      };
      const [first, both] = [timed(lines.slice(0, CASES)), timed(lines)];
      const aSecond = Math.round((1000 * CASES) / (both - first));
      return {
        cases: kind,
        as: args[0] ?? 'a line each',
        'the first 5,000, a second': Math.round((1000 * CASES) / (first - startMs)),
        'the next, a second': aSecond,
        'of 1,000': `${(aSecond / 1000).toFixed(2)} ×`,
      };
    }),
  );
  table(
    `Cases a second through the command line, ${ONE_CORE.length > 0 ? 'held to one core' : 'one process'}, its start of ${(startMs / 1000).toFixed(2)} s not counted. Target: 1,000 unlike ones.`,
    rows,
  );
}

/** A mid-range phone on a slow line. */
const PHONE = { slowdown: 4, bitsPerSecond: 1_600_000, roundTripMs: 150 };

async function throttle(page: Page, on: boolean): Promise<CDPSession> {
  const client = await page.context().newCDPSession(page);
  await client.send('Network.enable');
  await client.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: on ? PHONE.roundTripMs : 0,
    downloadThroughput: on ? PHONE.bitsPerSecond / 8 : -1,
    uploadThroughput: on ? PHONE.bitsPerSecond / 8 : -1,
  });
  await client.send('Emulation.setCPUThrottlingRate', { rate: on ? PHONE.slowdown : 1 });
  return client;
}

interface Seen {
  /** First picture of this very screen, drawn when the application was built, ms. */
  readonly picture: number;
  /** The screen itself can be read and tapped, ms. */
  readonly screen: number;
  readonly scriptBytes: number;
}

/** Opens an address cold, in a browser that has nothing but a session, and tells when its screen is there; at the sign-in, the list of who is pressed there. */
async function firstPicture(
  address: string,
  path: string,
  selector: string,
  session: object | undefined,
  slow: boolean,
): Promise<Seen> {
  const browser = await browserType.launch({
    executablePath: chromium(),
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--disable-background-networking'],
  });
  try {
    const context = await browser.newContext({
      viewport: { width: 390, height: 844 },
      serviceWorkers: 'block',
      storageState: session as never,
    });
    const page = await context.newPage();
    const client = await throttle(page, slow);
    let scriptBytes = 0;
    const scripts = new Set<string>();
    client.on(
      'Network.responseReceived',
      ({ requestId, response }) => /\.js$/.test(response.url) && scripts.add(requestId),
    );
    client.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
      if (scripts.has(requestId)) scriptBytes += encodedDataLength;
    });
    // Timed in the page itself, frame by frame: the driver's own waiting would be counted otherwise.
    await page.addInitScript({
      content: `requestAnimationFrame(function look() {
        if (document.querySelector('#picture')) window.pictureAt ??= performance.now();
        if (document.readyState === 'complete') document.querySelector('#picture [role=button][aria-label*=inspector]:not([aria-busy])')?.click();
        if (!document.querySelector('#picture') && document.querySelector(${JSON.stringify(selector)})) window.drawnAt = performance.now();
        else requestAnimationFrame(look);
      });`,
    });
    await page.goto(`${address}${path}`, { waitUntil: 'commit' });
    await page.waitForFunction(() => 'drawnAt' in window);
    const screen = await page.evaluate(() => (window as unknown as { drawnAt: number }).drawnAt);
    const picture = await page.evaluate(() => {
      const painted = performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? NaN;
      return Math.max(painted, (window as unknown as { pictureAt: number }).pictureAt);
    });
    return { picture, screen, scriptBytes };
  } finally {
    await browser.close();
  }
}

/** A page that does nothing but write a word at a tap: what any answer takes on this machine. */
const ONE_WORD = `<button role="radio">0</button><button role="radio">1</button><button role="radio">2</button><p></p>
  <script>addEventListener('click', () => (document.querySelector('p').textContent = String(Math.random())))</script>`;

interface Answered {
  /** From the click until the first frame after it is drawn, median, 75th and 95th percentile, ms. */
  readonly drawnMs: number;
  readonly p75Ms: number;
  readonly p95Ms: number;
  /** From the input until that frame is out, by the browser's own measure (Event Timing, steps of 8 ms; 16 or less is told as 16), ms. */
  readonly shownMs: number;
}

/** What is touched in turn, each of which changes what is shown. */
type Targets = (page: Page) => readonly [Locator, ...Locator[]];
const TWO_PLATES: Targets = (page) => {
  const plates = page.locator('[role=radio]');
  return [plates.nth(1), plates.nth(2)];
};

/** Touches targets in turn on a page, as a finger would. The answer is in the first frame after the click: React draws what a click changes before it. */
async function tapToAnswer(
  open: (page: Page) => Promise<unknown>,
  session: object,
  slowdown: number,
  targets: Targets,
): Promise<Answered> {
  const browser = await browserType.launch({ executablePath: chromium(), args: ['--no-sandbox', '--disable-gpu'] });
  try {
    const context = await browser.newContext({
      viewport: { width: 390, height: 844 },
      serviceWorkers: 'block',
      storageState: session as never,
    });
    const page = await context.newPage();
    await open(page);
    const touched = targets(page);
    await touched[0].waitFor();
    await page.waitForTimeout(1500);
    await page.evaluate(`
      window.shown = [];
      window.drawn = [];
      new PerformanceObserver((list) => {
        for (const { name, duration } of list.getEntries()) if (name === 'click') window.shown.push(duration);
      }).observe({ type: 'event', durationThreshold: 16 });
      addEventListener('click', () => {
        const began = performance.now();
        requestAnimationFrame(() => {
          const after = new MessageChannel();
          after.port1.onmessage = () => window.drawn.push(performance.now() - began);
          after.port2.postMessage(0);
        });
      }, true);
    `);
    const client = await context.newCDPSession(page);
    await client.send('Emulation.setCPUThrottlingRate', { rate: slowdown });
    const TAPS = 41;
    for (let i = 0; i < TAPS; i++) {
      await touched[i % touched.length]!.click();
      await page.waitForTimeout(450); // plates are deaf for 350 ms
    }
    const at = (times: number[], share: number) => times.sort((a, b) => a - b)[Math.floor(times.length * share)]!;
    const median = (times: number[]) => at(times, 0.5);
    const shown = await page.evaluate<number[]>('window.shown');
    const drawn = await page.evaluate<number[]>('window.drawn');
    return {
      drawnMs: median(drawn),
      p75Ms: at(drawn, 0.75),
      p95Ms: at(drawn, 0.95),
      shownMs: median([...shown, ...Array<number>(Math.max(0, TAPS - shown.length)).fill(16)]),
    };
  } finally {
    await browser.close();
  }
}

async function sessionOf(address: string): Promise<object> {
  const browser = await browserType.launch({ executablePath: chromium(), args: ['--no-sandbox', '--disable-gpu'] });
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  await page.goto(address);
  await page
    .getByRole('button', { name: /inspector/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'New inspection' }).waitFor();
  const state = await context.storageState();
  await browser.close();
  return state;
}

/** Records two houses at the office: the biggest of the examples with twice its circuits, and one whose interlock is loose. Resolves with their ids. */
async function bigHouses(office: Office, session: object): Promise<{ big: string; loose: string }> {
  const browser = await browserType.launch({ executablePath: chromium(), args: ['--no-sandbox', '--disable-gpu'] });
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, storageState: session as never });
  const page = await context.newPage();
  const walker = new Walker(page, office);
  const seeded = async (address: string, c: Case) => {
    await page.goto(office.address);
    await walker.openNew(address, '', 'Something else');
    await walker.seed(c, recordedFacts(c));
    return /inspection\/([^/?]+)/.exec(page.url())![1]!;
  };
  const ten = example('walk-switch-ten-circuits');
  const twenty = ten.loads!.circuits!.reduce(
    (now, circuit, i) =>
      Object.entries(circuit).reduce(
        (each, [key, value]) => (key === 'id' ? each : withFact(each, `loads.circuits[${i + 10}].${key}`, key === 'slot' ? Number(value) + 20 : value)), // prettier-ignore
        now,
      ),
    ten,
  );
  const big = await seeded('1 Twenty Circuits', twenty);
  const loose = await seeded('2 Loose Plate', withFact(example('case-1-interlock-holds'), 'transfer.fit', 'loose'));
  await browser.close();
  return { big, loose };
}

async function web(): Promise<void> {
  const say = (text: string) => console.log(`· ${text}`);
  await buildApplication(root, say);
  const cluster = await startCluster({ folder: join(root, '.data', 'bench-postgres'), say, forTests: true });
  process.env.TEST_DATABASE_URL = cluster.url;
  const office = await Office.open(true);
  const rows: Record<string, string | number>[] = [];
  const taps: Record<string, string | number>[] = [];
  try {
    const session = await sessionOf(office.address);
    const screens: [string, string, string, object | undefined][] = [
      ['sign-in, a demo account pressed', '/sign-in', '[role=link][data-testid^=row-]', undefined],
      [
        'path',
        '/inspection/0dd0a7c4-1f5e-4b7a-9c00-000000000002',
        '[role=list] [role=link]:not([aria-disabled])',
        session,
      ],
    ];
    for (const [name, path, visible, state] of screens) {
      const runs = async (slow: boolean) => {
        const seen: Seen[] = [];
        for (let i = 0; i < 5; i++) seen.push(await firstPicture(office.address, path, visible, state, slow));
        return seen.sort((a, b) => a.screen - b.screen)[2]!;
      };
      const [slow, fast] = [await runs(true), await runs(false)];
      rows.push({
        screen: name,
        'first picture, phone': `${Math.round(slow.picture)} ms`,
        'screen usable, phone': `${Math.round(slow.screen)} ms`,
        'usable, this machine': `${Math.round(fast.screen)} ms`,
        ratio: `${(slow.screen / fast.screen).toFixed(1)} ×`,
        'scripts sent': `${(slow.scriptBytes / 1024).toFixed(0)} KB`,
      });
    }
    const { big, loose } = await bigHouses(office, session);
    const at =
      (house: string) =>
      (page: Page): Promise<unknown> =>
        page.goto(`${office.address}/inspection/${house}`);
    /** A fact that is known is taken in hand, and answered otherwise; then again, as it was. */
    const inStrip =
      (fact: string, other: string, own: string): Targets =>
      (page) => {
        const known = page.getByTestId(`known-${fact}`);
        const plate = (name: string) => page.getByTestId('plates').getByRole('radio', { name, exact: true });
        return [known, plate(other), known, plate(own)];
      };
    const pages: [string, (page: Page) => Promise<unknown>, Targets][] = [
      ['a page that only writes a word', (page) => page.setContent(ONE_WORD), TWO_PLATES],
      ...(
        [
          ['inlet/face', 'inlet.ratingA', '50', '30'],
          ['cord/jacket', 'cord[0].sizeAwg', '8', '10'],
          ['feeder/cable', 'feeder.stretches[0].sizeAwg', '8', '10'],
        ] as const
      ).map(([part, fact, other, own]): (typeof pages)[number] => [
        `strip, ${fact}`,
        at(`${big}/${part.split('/')[0]}?part=${encodeURIComponent(part)}`),
        inStrip(fact, other, own),
      ]),
      ['panel, a slot', at(`${big}/loads`), (page) => [page.getByTestId('slot-1'), page.getByTestId('slot-2')]],
      [
        'mechanism, a move and back',
        at(`${loose}/transfer`),
        (page) => [
          page.getByRole('button', { name: /^(Show the move|Next move)$/ }),
          page.getByRole('button', { name: 'Back', exact: true }),
        ],
      ],
    ];
    for (const slowdown of [1, PHONE.slowdown]) {
      let leastMs: number | undefined;
      for (const [sheet, open, targets] of pages) {
        const { drawnMs, p75Ms, p95Ms, shownMs } = await tapToAnswer(open, session, slowdown, targets);
        leastMs ??= drawnMs;
        taps.push({
          processor: slowdown === 1 ? 'this machine' : `${slowdown}× slower`,
          touched: sheet,
          'click to frame drawn': `${drawnMs.toFixed(1)} ms`,
          p75: `${p75Ms.toFixed(1)} ms`,
          p95: `${p95Ms.toFixed(1)} ms`,
          ratio: `${(drawnMs / leastMs).toFixed(1)} ×`,
          'input to frame out': `${shownMs.toFixed(0)} ms`,
        });
      }
    }
  } finally {
    await office.close();
    await cluster.stop();
  }
  table('From the touch to the frame that shows the answer, of 41. Target at 4× slower: p75 100 ms, p95 200 ms.', taps);
  table(
    `First picture, cold, median of 5: ${PHONE.slowdown}× slower processor, ${PHONE.bitsPerSecond / 1e6} Mb/s, ${PHONE.roundTripMs} ms round trip. Target: 2.5 s; scripts 350 KB.`,
    rows,
  );
}

if (wants('core')) await core();
if (wants('web')) await web();
