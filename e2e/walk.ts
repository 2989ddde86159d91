import { randomUUID } from 'node:crypto';
import type { Locator, Page } from '@playwright/test';
import {
  NOT_SEEN,
  STATIONS,
  STATION_NAMES,
  factAt,
  listOf,
  metaOf,
  sheet,
  stationOf,
  type Case,
  type Station,
} from '@careful-latch/core/case';
import { expect } from './office';
import type { Office } from './server';

/** A person at the interface; counts the taps that a walk takes. */
export class Walker {
  taps = 0;
  readonly wide: boolean;
  constructor(
    readonly page: Page,
    readonly office: Office,
  ) {
    this.wide = (page.viewportSize()?.width ?? 0) >= 1000;
  }

  async signIn(who = 'Ilse O’Harrow', by: 'sheets' | 'drawings' = 'sheets'): Promise<void> {
    if (by === 'sheets') await this.bySheets();
    await this.page.goto(`${this.office.address}/`);
    await this.press('button', new RegExp(who));
    await expect(this.page.getByRole('button', { name: 'New inspection' })).toBeVisible();
  }

  /** This person walks by the sheets of all facts; drawings and strip have a walker of their own. */
  async bySheets(): Promise<void> {
    await this.page.addInitScript(() => {
      const key = 'careful-latch-preferences';
      const kept = JSON.parse(localStorage.getItem(key) ?? '{"state":{},"version":0}') as { state: object };
      localStorage.setItem(key, JSON.stringify({ ...kept, state: { ...kept.state, allFacts: true } }));
    });
  }

  async press(role: 'button' | 'radio' | 'link', name: string | RegExp): Promise<void> {
    await this.page.getByRole(role, { name, exact: typeof name === 'string' }).click();
    this.taps++;
  }

  /** Touches a plate until it is chosen: a page of all facts moves while its rows come into view, and a touch may slip. */
  async choose(plate: Locator): Promise<void> {
    await expect(async () => {
      if ((await plate.getAttribute('aria-checked')) !== 'true') await plate.click();
      await expect(plate).toHaveAttribute('aria-checked', 'true', { timeout: 2000 });
    }).toPass();
    this.taps++;
  }

  /** Comes in by a link that was opened, as a new account. */
  async join(name: string, login: string): Promise<void> {
    await this.page.getByLabel('Your name, as you sign').fill(name);
    await this.page.getByLabel('Sign-in name').fill(login);
    await this.page.getByLabel('Password').fill('a long password');
    await this.press('button', 'Come in');
  }

  async openNew(address: string, owner: string, connection: string): Promise<void> {
    await this.press('button', 'New inspection');
    await this.page.getByLabel('Property').fill(address);
    await this.page.getByLabel('Owner').fill(owner);
    await this.press('button', connection);
    await expect(this.page.getByRole('heading', { name: STATION_NAMES.source, exact: true })).toBeVisible();
  }

  /** Opens an inspection from the list; on a wide screen it is shown beside the list first. */
  async openFromList(address: string): Promise<void> {
    await this.page.getByTestId(`row-${address}`).click();
    if (this.wide)
      await this.page.getByRole('region', { name: address }).getByRole('button', { name: 'Open', exact: true }).click();
  }

  station(station: Station) {
    return this.page.getByRole('link', {
      name: new RegExp(`^${STATION_NAMES[station]} [^]*(holds|unproven|hazard|correction|advisory|doesn’t apply)( |$)`),
    });
  }

  /** Goes to a station by the path, as one would to correct something. */
  async goTo(station: Station): Promise<void> {
    await this.toPathUnless(this.station(station));
    await this.station(station).click();
    this.taps++;
    await expect(this.page.getByRole('heading', { name: STATION_NAMES[station], exact: true })).toBeVisible();
  }

  /** Goes back to the path, unless what is wanted is on the screen. Back to the list would lead out of the house: while it is still being fetched that is all there is. */
  private async toPathUnless(wanted: Locator): Promise<void> {
    const back = this.page.getByRole('link', { name: /^Back to (?!Inspections)/ });
    await wanted.or(back).first().waitFor();
    if (await wanted.isVisible()) return;
    await back.click();
    this.taps++;
  }

  fact(path: string) {
    return this.page.getByTestId(`fact-${path}`);
  }

  /** Records a fact by its plate, or by typing where it has none. */
  async record(path: string, value: unknown): Promise<void> {
    const meta = metaOf(path);
    const field = this.fact(path);
    const label = value === NOT_SEEN ? 'Not seen' : meta.choices.find((one) => one.value === String(value))?.label;
    if (label !== undefined) await this.choose(field.getByRole('radio', { name: label, exact: true }));
    else {
      this.taps++;
      await field.getByLabel(`${meta.label}, typed`).fill(String(value));
      await field.getByLabel(`${meta.label}, typed`).press('Enter');
    }
  }

  /** Walks every station from the source on, tapping what the case says, by the main act from sheet to sheet. */
  async walk(c: Case, skip: readonly string[] = []): Promise<void> {
    await this.goTo('source');
    for (const station of STATIONS) {
      await expect(this.page.getByRole('heading', { name: STATION_NAMES[station], exact: true })).toBeVisible();
      const list = listOf(station);
      const count = list ? ((factAt(c, list.list) as unknown[] | undefined)?.length ?? 0) : 0;
      for (let i = 1; i < count; i++) await this.press('button', `Add another ${list!.word}`);
      for (const path of sheet(c, station).flatMap((group) => group.paths)) {
        const value = factAt(c, path);
        if (value !== undefined && !skip.includes(path) && stationOf(path) === station) await this.record(path, value);
      }
      await this.page
        .getByRole('button', station === STATIONS.at(-1) ? { name: 'Findings', exact: true } : { name: /^Next: / })
        .last()
        .click();
      this.taps++;
    }
  }

  async inItsName(): Promise<{ 'x-csrf-token': string; 'x-account': string }> {
    const session = await this.page.request.get(`${this.office.address}/api/session`);
    const { csrfToken, account } = (await session.json()) as { csrfToken: string; account: { id: string } };
    return { 'x-csrf-token': csrfToken, 'x-account': account.id };
  }

  /** Ends the session at the office, as time would; the page does not know. */
  async sessionEnds(): Promise<void> {
    await this.page.request.delete(`${this.office.address}/api/session`, { headers: await this.inItsName() });
  }

  /** Has the office hold facts already, as if another device had recorded them; the page then fetches them. */
  async seed(c: Case, paths: readonly string[]): Promise<void> {
    const inspection = /inspection\/([^/?]+)/.exec(this.page.url())![1]!;
    await this.savedAtOffice();
    await this.sent(inspection, { type: 'facts', facts: seededFacts(c, paths) });
    await this.page.reload();
    await expect(this.page.getByRole('heading', { name: STATION_NAMES.source, exact: true })).toBeVisible();
  }

  /** A new house of which some facts are recorded, as if by another device; opened at its first station. */
  async openSeeded(address: string, c: Case, paths: readonly string[]): Promise<void> {
    const inspection = randomUUID();
    const header = { address, owner: '', permit: '', edition: c.edition };
    await this.sent(inspection, { type: 'open', header }, { type: 'facts', facts: seededFacts(c, paths) });
    await this.page.goto(`${this.office.address}/inspection/${inspection}/source`);
    await expect(this.page.getByRole('heading', { name: STATION_NAMES.source, exact: true })).toBeVisible();
  }

  private async sent(inspection: string, ...bodies: object[]): Promise<void> {
    const changes = bodies.map((one) => ({ ...one, id: randomUUID(), inspection, at: new Date().toISOString() }));
    const answer = await this.page.request.post(`${this.office.address}/api/changes`, {
      data: { changes },
      headers: await this.inItsName(),
    });
    expect(await answer.json()).toMatchObject({ results: changes.map(() => ({ status: 'taken' })) });
  }

  async verdict(words: string): Promise<void> {
    await expect(this.page.getByTestId('verdict').filter({ visible: true }).first()).toContainText(words);
  }

  /** Begins the visit that is shown. */
  async begin(letIn = 'The owner'): Promise<void> {
    await this.press('button', 'Begin the visit');
    await this.press('button', letIn);
    await expect(this.page.getByRole('heading', { name: /^Visit \d+$/ })).toBeVisible();
  }

  /** Sees again, as it was, all that the correction of a violation touches. */
  async seenAgain(violation: Locator): Promise<void> {
    const again = violation.getByRole('button', { name: 'Seen again, as it was' });
    for (let left = await again.count(); left > 0; left--) {
      await again.first().click();
      this.taps++;
      await expect(again).toHaveCount(left - 1);
    }
  }

  /** Signs a decision; what is found and not answered yet is cited, each by itself or all as of one cause. */
  async sign(decision: string, { oneCause = false } = {}): Promise<void> {
    const decide = this.page.getByRole('button', { name: 'Decide and sign' }).first();
    await this.toPathUnless(decide);
    await decide.click();
    await expect(this.page.getByRole('heading', { name: 'Decide and sign' })).toBeVisible();
    const take = this.page.getByRole('button', { name: oneCause ? 'All have one cause' : /^Cite( all \d+)?$/ }).first();
    if (await take.isVisible()) await take.click();
    await this.press('radio', decision);
    if (decision === 'Stop work') await this.press('radio', 'The owner');
    if (decision === 'Corrections required') await this.press('radio', /^in 14 days/);
    await this.press('button', `Sign: ${decision.toLowerCase()}`);
    this.taps++;
    await expect(this.page.getByTestId('signed').first()).toContainText(decision);
  }

  async savedAtOffice(): Promise<void> {
    await expect(this.page.getByTestId('save-line').filter({ visible: true }).first()).toHaveText(
      'Saved at the office',
    );
  }
}

/** Chooses a file where the evidence pane asks for one. */
export async function choosePhoto(page: Page, name: string, buffer: Buffer): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByTestId('evidence').getByRole('button', { name: 'From files' }).click();
  await (await chooser).setFiles({ name, mimeType: 'image/jpeg', buffer });
}

const seededFacts = (c: Case, paths: readonly string[]) =>
  paths.map((path) => ({ path, value: factAt(c, path), how: 'touched' }));
