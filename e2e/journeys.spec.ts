import { randomUUID } from 'node:crypto';
import { ON_PHONE, WITHOUT_OFFICE, expect, test } from './office';
import { STATIONS, STATION_NAMES, recordedFacts, withFact } from '@careful-latch/core/case';
import { example } from '../core/test/examples';
import { Walker } from './walk';

/** Journeys that are about the device and the office are the same on any size. */

const CASE_2 = example('case-2-breaker-50-before-inlet-30');

test(
  'a 50 A breaker before a 30 A inlet: found, signed as corrections required, corrected, approved, found again',
  ON_PHONE,
  async ({ page, office }, info) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    await walker.openNew('12 Pippin Row', "Nella D’Arbois-O'Dell", 'Interlock on the panel');
    await walker.walk(CASE_2, ['transfer.kind']);
    info.annotations.push({ type: 'taps', description: `${walker.taps} taps from the sign-in to the findings` });
    // A tap a fact; besides these no more than the stations, the sign-in and the opening.
    expect(walker.taps - recordedFacts(CASE_2).length).toBeLessThanOrEqual(STATIONS.length + 5);
    await walker.verdict('Corrections required');
    const weakest = page.getByTestId('finding-breaker/not-above-weakest-link').filter({ visible: true }).first();
    await expect(weakest).toContainText('30 A allowed by the inlet, 50 A found.');
    await expect(weakest).toContainText('The largest breaker that may stay is 30 A');
    await weakest.getByRole('button').click();
    await expect(weakest).toContainText('rating row');

    await walker.sign('Corrections required', { oneCause: true });
    await expect(page.getByText('Seal holds')).toBeVisible();

    await page.getByRole('link', { name: /^Back to/ }).click();
    await walker.press('button', 'Visit');
    await walker.begin();
    const violation = page.getByTestId('violation-1');
    await walker.record('breaker.ratingA', 30);
    await expect(violation).toContainText('To prove again');
    await walker.seenAgain(violation);
    await walker.press('button', 'Corrected, seen');
    await expect(violation).toContainText('Corrected, seen');
    await walker.sign('Approved');
    await expect(page.getByTestId('signed')).toHaveCount(2);
    await expect(page.getByText('Seal holds')).toHaveCount(2);

    await page.goto(`${office.address}/`);
    await page.getByLabel('Search').fill("d'arbois approved");
    await expect(page.getByTestId('row-12 Pippin Row')).toContainText('Approved');
    await page.getByLabel('Search').fill('nobody of this name');
    await expect(page.getByText('Nothing found')).toBeVisible();
  },
);

test(
  'the same with a reload and a dead, then restarted server in the middle: nothing is lost',
  WITHOUT_OFFICE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    await walker.openNew('12 Pippin Row', 'Nella D’Arbois', 'Interlock on the panel');
    await walker.goTo('breaker');
    await walker.record('breaker.ratingA', 50);
    await page.evaluate(() => navigator.serviceWorker.ready);
    await walker.savedAtOffice();

    await office.stop();
    await walker.record('breaker.construction', 'tied-singles');
    await walker.record('breaker.heldDown', 'no');
    await expect(
      page.getByText(/Saved on this phone; the office cannot be reached \(2 entries to send\)/).first(),
    ).toBeVisible();
    await page.reload();
    await expect(walker.fact('breaker.construction').getByRole('radio', { name: 'Two singles, tied' })).toHaveAttribute(
      'aria-checked',
      'true',
    );
    await walker.record('breaker.listedForPanel', 'not-seen');
    await walker.sign('Stop work');
    await expect(page.getByText('Signed on this phone; sealed as soon as the office has it.')).toBeVisible();

    await office.start();
    await expect(page.getByText('Seal holds')).toBeVisible({ timeout: 30_000 });
    await page.evaluate(async () => {
      for (const { name } of await indexedDB.databases()) indexedDB.deleteDatabase(name!);
    });
    await page.reload();
    await walker.goTo('breaker');
    await expect(walker.fact('breaker.ratingA').getByRole('radio', { name: '50', exact: true })).toHaveAttribute(
      'aria-checked',
      'true',
    );
    await expect(walker.fact('breaker.listedForPanel').getByRole('radio', { name: 'Not seen' })).toHaveAttribute(
      'aria-checked',
      'true',
    );
  },
);

test(
  'a wrong tap is taken back by Undo; the chosen plate touched again stays chosen',
  ON_PHONE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    await walker.openNew('12 Pippin Row', 'Nella D’Arbois', 'Interlock on the panel');
    await walker.goTo('breaker');
    await walker.record('breaker.ratingA', 50);
    await walker.record('breaker.ratingA', 30);
    await walker.press('button', 'Undo');
    const plate = (name: string) => walker.fact('breaker.ratingA').getByRole('radio', { name, exact: true });
    await expect(plate('50')).toHaveAttribute('aria-checked', 'true');
    await plate('50').click();
    await expect(plate('50')).toHaveAttribute('aria-checked', 'true');

    const typed = walker.fact('breaker.ratingA').getByLabel('Breaker rating, typed');
    await typed.fill('5000');
    await typed.press('Enter');
    await expect(walker.fact('breaker.ratingA')).toContainText('right would be 1 to 400 A');
    await typed.fill('45');
    await typed.press('Enter');
    await expect(walker.fact('breaker.ratingA').getByLabel('Breaker rating, typed')).toHaveValue('45');

    await walker.goTo('cord');
    await walker.record('cord[0].lengthFt', 20);
    await walker.press('button', 'Add another cord');
    await walker.record('cord[1].lengthFt', 50);
    await walker.press('button', 'Take out cord 1');
    await expect(walker.fact('cord[0].lengthFt').getByRole('radio', { name: '50', exact: true })).toHaveAttribute(
      'aria-checked',
      'true',
    );
    await walker.press('button', 'Undo');
    await expect(walker.fact('cord[1].lengthFt').getByRole('radio', { name: '50', exact: true })).toHaveAttribute(
      'aria-checked',
      'true',
    );
  },
);

test(
  'kinds of parts as at another house are offered first; what was seen there is not',
  ON_PHONE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn(undefined, 'drawings');
    await walker.press('button', 'New inspection');
    await page.getByLabel('Property').fill('31 O’Dell Row');
    await walker.press('button', 'Kinds of parts as at another house');
    const houses = page.getByRole('radiogroup', { name: 'Kinds of parts as at' }).getByRole('radio');
    const other = (await houses.first().textContent())!;
    await houses.first().click();
    await walker.press('button', 'Interlock on the panel');
    const plates = page.getByTestId('plates').getByRole('button');
    await expect(plates.first()).toHaveText(new RegExp(`as at ${other}$`));
    await page.reload();
    await expect(plates.first()).toHaveText(new RegExp(`as at ${other}$`));
    await expect(page.getByText(/as at/)).toHaveCount(1);
    await page.goto(page.url().replace('/source', '/panel'));
    await expect(page.getByTestId('question')).toHaveText('Tape: how much room stands clear in front of it?');
    await expect(page.getByText(/as at/)).toHaveCount(0);
    await walker.press('button', 'How to look at it');
    await expect(page.getByTestId('help')).toContainText('What hangs on it:');
  },
);

test(
  'the way in which a loose plate joins both sources is played on the drawing, and back',
  ON_PHONE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    const loose = withFact(example('case-1-interlock-holds'), 'transfer.fit', 'loose');
    await walker.signIn(undefined, 'drawings');
    await walker.openNew('6 Loose Plate Lane', '', 'Interlock on the panel');
    await walker.seed(loose, recordedFacts(loose));
    for (const station of ['transfer', 'function']) {
      await page.goto(page.url().replace(/[^/]+$/, station));
      await walker.press('button', 'Show the move');
      while ((await page.getByText('Both are closed now.').count()) === 0) await walker.press('button', 'Next move');
      await walker.press('button', 'Back');
      await expect(page.getByRole('button', { name: 'Next move' })).toBeVisible();
    }
  },
);

test(
  'the moves to try stand in the function test once it is known how the sources are kept apart',
  ON_PHONE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    await walker.openNew('4 Bramley Cut', 'Nella D’Arbois', 'Interlock on the panel');
    await walker.goTo('function');
    const moves = walker.fact('function.bothWithPartMoved').getByRole('listitem');
    await expect(page.getByText(/Which moves to try depends on how the sources are kept apart/)).toBeVisible();
    await expect(moves).toHaveCount(0);
    await walker.goTo('transfer');
    await walker.record('transfer.mechanism', 'sliding-plate');
    await walker.goTo('function');
    await expect(page.getByText(/Which moves to try depends/)).toHaveCount(0);
    await expect(moves.filter({ hasText: 'utility closed: lift the plate off its guides' })).toBeVisible();
    await expect(moves).toHaveCount(4);
  },
);

test(
  'a finding is not waved through: it is cited, or the lead says why it is none',
  ON_PHONE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    await walker.openNew('6 Blossom Turn', 'Nella D’Arbois', 'Interlock on the panel');
    const wrong = { ...example('case-5-bonded-unswitched') };
    await walker.seed(
      wrong,
      recordedFacts(wrong).filter((path) => path !== 'transfer.kind'),
    );
    await page.goto(page.url().replace(/[^/]+$/, 'decide'));
    await walker.press('radio', 'Approved');
    await walker.press('button', 'Sign: approved');
    await expect(page.getByRole('alert').first()).toContainText('2 findings are not answered');
    for (const [rule, reason] of [
      ['neutral/matrix', 'The bond was opened while I watched.'],
      ['neutral/none-on-ground', 'Measured again: nothing on the ground.'],
    ] as const) {
      const answer = page.getByTestId(`answer-${rule}`);
      await answer.getByRole('button', { name: 'Dismiss' }).click();
      await answer.getByLabel('Why it is dismissed').fill('no');
      await answer.getByRole('button', { name: 'Dismiss' }).click();
      await expect(page.getByRole('alert').first()).toContainText('at least 10 characters');
      await answer.getByLabel('Why it is dismissed').fill(reason);
      await answer.getByRole('button', { name: 'Dismiss' }).click();
      await expect(answer).toHaveCount(0);
    }
    const pad = page.getByTestId('signature');
    await pad.scrollIntoViewIfNeeded();
    const box = (await pad.boundingBox())!;
    await page.mouse.move(box.x + 20, box.y + 60);
    await page.mouse.down();
    await page.mouse.move(box.x + 120, box.y + 30, { steps: 8 });
    await page.mouse.up();
    await walker.press('button', 'Sign: approved');
    const signed = page.getByTestId('signed').first();
    await expect(signed).toContainText('Dismissed: The bond was opened while I watched.');
    await expect(signed).toContainText('do not energize');
    await expect(signed.getByRole('img', { name: 'Drawn signature' })).toBeVisible();
  },
);

test('a contractor walks, but cannot sign', ON_PHONE, async ({ page, office }) => {
  const walker = new Walker(page, office);
  await walker.signIn('Maro Tillane');
  await walker.openFromList('7 Sapling Close');
  await expect(page.getByRole('button', { name: 'Ask the office for an inspection' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Decide and sign' })).toBeHidden();
  await page.goto(`${page.url()}/decide`); // whoever knows the way gets no further
  await expect(page.getByText('Only an inspector of the office can sign.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Sign', exact: true })).toBeDisabled();
});

test('a fresh office makes its first account and opens its first inspection', ON_PHONE, async ({ page, empty }) => {
  const walker = new Walker(page, empty);
  await page.goto(`${empty.address}/`);
  await walker.press('button', 'Make the account');
  await expect(page.getByText('Give the name of the office.')).toBeVisible();
  await page.getByLabel('Office', { exact: true }).fill('Scion Hollow Office');
  await walker.press('radio', '2017');
  await page.getByLabel('Your name').fill('Una O’Trill');
  await page.getByLabel('Sign-in name').fill('una');
  await page.getByLabel('Password').fill('a long password');
  await walker.press('button', 'Make the account');
  await expect(page.getByText('No inspection yet.')).toBeVisible();
  await walker.openNew('1 First Row', '', 'None: extension cords only');
  if (!walker.wide) await walker.press('link', /^Back to/);
  await expect(walker.station('inlet')).toHaveAccessibleName(/doesn’t apply/);
});

test(
  'a session that ended in the middle loses nothing; who signs out leaves the phone to the next',
  ON_PHONE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    await walker.openNew('3 Russet Bank', 'Odo O’Quill', 'Interlock on the panel');
    await walker.savedAtOffice();
    await walker.sessionEnds();
    await walker.goTo('breaker');
    await walker.record('breaker.ratingA', 30);
    await page.getByTestId('save-line').getByText('Sign in again to send 1 entry').click();
    await walker.press('button', /Ilse O’Harrow/);
    await expect(page.getByRole('heading', { name: STATION_NAMES.breaker, exact: true })).toBeVisible();
    await walker.savedAtOffice();
    const sheet = page.url();

    await page.goto(`${office.address}/`);
    await page.getByTestId('menu').click();
    await walker.press('button', 'Sign out');
    await expect(page.getByLabel('Password')).toHaveValue('');
    await page.goto(sheet);
    await walker.press('button', /Joss Linnaker/);
    await expect(page.getByRole('heading', { name: STATION_NAMES.breaker, exact: true })).toBeVisible();
    await expect(walker.fact('breaker.ratingA').getByRole('radio', { name: '30', exact: true })).toHaveAttribute(
      'aria-checked',
      'true',
    );
  },
);

test('an address that leads nowhere says so, and the way back is one tap', ON_PHONE, async ({ page, office }) => {
  const walker = new Walker(page, office);
  await walker.signIn();
  await page.goto(`${office.address}/no/such/screen`);
  await expect(page.getByRole('heading', { name: 'Nothing here' })).toBeVisible();
  await walker.press('link', 'Back to Inspections');
  await expect(page.getByRole('button', { name: 'New inspection' })).toBeVisible();
});

test('a wrong password gets a sentence', ON_PHONE, async ({ page, office }) => {
  await page.goto(`${office.address}/`);
  await page.getByLabel('Sign-in name').fill('ilse');
  await page.getByLabel('Password').fill('not this one');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('alert')).toHaveText(/do not belong together/);
  await page.getByLabel('Password').fill('nor this one');
  const answered = page.waitForResponse((one) => one.request().postDataJSON()?.password === 'nor this one');
  await page.getByLabel('Password').press('Enter');
  expect((await answered).status()).toBe(401);
  await expect(page.getByRole('alert')).toHaveText(/do not belong together/);
});

test(
  'a decision on what another has changed meanwhile is not sealed, and says what was changed',
  ON_PHONE,
  async ({ page, office, playwright }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    const house = '0dd0a7c4-1f5e-4b7a-9c00-000000000002';
    await page.goto(`${office.address}/inspection/${house}/decide`);
    await page.getByRole('radio', { name: 'Corrections required', exact: true }).click();
    await page.getByRole('radio', { name: /^in 14 days/ }).click();

    const joss = await playwright.request.newContext({ baseURL: office.address });
    const signedIn = await joss.post('/api/session', { data: { login: 'joss', password: 'windfall orchard' } });
    const { csrfToken, account } = (await signedIn.json()) as { csrfToken: string; account: { id: string } };
    const change = {
      id: randomUUID(),
      inspection: house,
      at: new Date().toISOString(),
      type: 'facts',
      facts: [{ path: 'breaker.ratingA', value: 100, how: 'touched' }],
    };
    const headers = { 'x-csrf-token': csrfToken, 'x-account': account.id };
    expect((await joss.post('/api/changes', { data: { changes: [change] }, headers })).ok()).toBe(true);
    await joss.dispose();

    await page.getByRole('button', { name: 'Sign: corrections required' }).click();
    await expect(page.getByRole('alert')).toContainText('Nothing was signed, for it has changed since you looked');
    await expect(page.getByRole('alert')).toContainText('Breaker rating: 100 A (Joss Linnaker)');
    await page.getByRole('alert').click();
    await walker.sign('Corrections required');
    await expect(page.getByText('Seal holds')).toHaveCount(2);
  },
);

test(
  'a head that is wrong is corrected with a reason; what was signed keeps its own',
  ON_PHONE,
  async ({ page, office }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    await page.goto(`${office.address}/inspection/0dd0a7c4-1f5e-4b7a-9c00-000000000005`);
    await page.getByRole('button', { name: 'Correct', exact: true }).click();
    await page.getByLabel('Owner').fill('Orsolo D’Vint');
    await page.getByRole('button', { name: 'Correct it' }).click();
    await expect(page.getByText('Say why it is corrected')).toBeVisible();
    await page.getByLabel('Why it is corrected').fill('The deed names her so.');
    await page.getByRole('button', { name: 'Correct it' }).click();
    await expect(page.getByText('Orsolo D’Vint')).toBeVisible();
    await expect(page.getByText('Approved with conditions')).toBeVisible(); // it begins no reinspection
    await walker.savedAtOffice();
    await page.getByRole('button', { name: 'Record', exact: true }).click();
    await expect(page.getByText('Seal holds')).toBeVisible();
  },
);

test(
  'what was touched right before a reload is there after it, however slow the phone',
  ON_PHONE,
  async ({ page, office, context }) => {
    const walker = new Walker(page, office);
    await walker.signIn();
    await page.goto(`${office.address}/inspection/0dd0a7c4-1f5e-4b7a-9c00-000000000002/inlet`);
    const client = await context.newCDPSession(page);
    for (const ampere of ['20', '30', '20', '30']) {
      const plate = walker.fact('inlet.ratingA').getByRole('radio', { name: ampere, exact: true });
      await expect(plate).toBeVisible();
      await walker.savedAtOffice();
      await client.send('Emulation.setCPUThrottlingRate', { rate: 8 });
      await plate.click();
      await page.reload();
      await client.send('Emulation.setCPUThrottlingRate', { rate: 1 });
      await expect(plate).toHaveAttribute('aria-checked', 'true');
    }
  },
);
