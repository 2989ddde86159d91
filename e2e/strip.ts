import type { Locator, Page } from '@playwright/test';
import { NOT_SEEN, STATION_NAMES, metaOf, type Case, type Station } from '@careful-latch/core/case';
import { Person, type Touch } from '../core/test/person';
import type { Inspection } from '@careful-latch/core/record';
import { usualOf, type Usual } from '@careful-latch/core/walk';

/** Longer than plates are deaf, and than a line must have been on the screen. */
const DEAF_AND_SEEN_MS = 900;

/** What a walk by drawing and strip took: touches, keys typed for odd numbers, and scroll gestures. */
interface Count {
  taps: number;
  keys: number;
  scrolls: number;
}

const ALL_SO = /^(All \d+ are so|The rest is so.*|It is so)$/;
const exactly = (text: string) => new RegExp(`^${text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}$`);

/** A person at the real interface who records a house by drawing and strip; counts every touch. */
export class StripWalker {
  readonly count: Count = { taps: 0, keys: 0, scrolls: 0 };
  private readonly strip: Locator;
  private hurrying = false;
  /** The part that was touched last. */
  private part = '';

  constructor(
    private readonly page: Page,
    private readonly how: {
      /** Counts scroll gestures too, which takes a look at the page before each touch. */
      readonly scrolls?: boolean;
      /** Presses what the keyboard can reach, and touches nothing. */
      readonly keyboard?: boolean;
    } = {},
  ) {
    this.strip = page.getByTestId('strip');
  }

  /** Lets no time pass in vain: plates that are deaf, and lines that must have been seen, wait by the page's clock. Before the first page. */
  async hurry(): Promise<void> {
    await this.page.clock.install();
    this.hurrying = true;
  }

  /** Touches something; where it is off the screen, after a scroll gesture. */
  async touch(what: Locator): Promise<void> {
    await what.waitFor();
    if (this.how.scrolls && !(await this.inSight(what))) {
      this.count.scrolls++;
      if (process.env.TRACE) console.error('scrolled');
    }
    if (this.how.keyboard) await this.press(what);
    else await what.click();
    this.count.taps++;
    if (this.hurrying) await this.page.clock.fastForward(DEAF_AND_SEEN_MS);
  }

  private async press(what: Locator): Promise<void> {
    await what.click({ trial: true }); // once it takes a touch, the keyboard reaches it too
    if (!(await what.evaluate((element) => (element as HTMLElement).tabIndex >= 0)))
      throw new Error(`The keyboard does not reach ${String(what)}.`);
    await what.press('Enter');
  }

  private async inSight(what: Locator): Promise<boolean> {
    const box = await what.boundingBox();
    if (!box) return false;
    const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    return what.evaluate((element, { x, y }) => {
      const top = document.elementFromPoint(x, y);
      return top !== null && (element.contains(top) || top.contains(element));
    }, middle);
  }

  /** Walks a whole house that is as a case says. `between` is called before each touch. */
  async walk(
    truth: Case,
    usual: Usual,
    between: (touch: Touch, person: Person) => Promise<void> = async () => {},
    begun?: Case,
  ): Promise<void> {
    const person = new Person(truth, usual, true, ...(begun ? [begun] : []));
    for (const touch of person.walk()) {
      await this.goOnWhereItStopped(touch);
      await between(touch, person);
      await this.at(touch.station, touch);
      await this.one(touch);
    }
    await this.goOnWhereItStopped();
  }

  /** A wrong touch that is seen at once, and taken back; false where nothing else stands beside what is right. */
  async slip(right: string): Promise<boolean> {
    const others = this.page
      .getByTestId('plates')
      .getByRole('button')
      .filter({ hasNotText: exactly(right) });
    const wrong = others.first();
    const question = await this.page.getByTestId('question').innerText();
    if (!(await wrong.isVisible()) || (await wrong.innerText()) === 'Others') return false;
    await this.touch(wrong);
    await this.touch(this.button('Undo'));
    await this.page.getByTestId('question').filter({ hasText: question }).waitFor();
    return true;
  }

  /** To the findings: by the strip where the walk ends, else by the path. */
  async toFindings(): Promise<void> {
    const offered = this.button('Findings');
    if (await offered.isVisible()) return this.touch(offered);
    if ((this.page.viewportSize()?.width ?? 0) < 1000)
      await this.touch(this.page.getByRole('link', { name: /^Back to/ }));
    return this.touch(this.page.getByRole('button', { name: /^Findings/ }).first());
  }

  /** After a violation nothing goes on by itself: the person reads it, and goes on. */
  private async goOnWhereItStopped(touch?: Touch): Promise<void> {
    if (touch?.act === 'go-on' || touch?.act === 'change') return;
    // What is asked next at the same part stands below the sentence already.
    if (touch?.act === 'answer' && (await this.asked(touch.path).isVisible())) return;
    if (touch?.act === 'line' && (await this.page.getByTestId(`line-${touch.path}`).isVisible())) return;
    if (touch?.act === 'all-so' && (await this.button(ALL_SO).isVisible())) return;
    const goOn = this.button(/^Go on( looking)?$/);
    if (await goOn.isVisible()) await this.touch(goOn);
  }

  private async at(station: Station, touch: Touch): Promise<void> {
    if (touch.act === 'next') return;
    await this.page.getByRole('heading', { name: STATION_NAMES[station], exact: true }).waitFor();
  }

  /** The question for a fact, where it is the one that is asked. */
  private asked(path: string): Locator {
    return this.page.getByTestId('question').filter({ hasText: metaOf(path).label });
  }

  private button(name: string | RegExp): Locator {
    return this.strip.getByRole('button', { name: typeof name === 'string' ? exactly(name) : name });
  }

  private async one(touch: Touch): Promise<void> {
    switch (touch.act) {
      case 'read': {
        const plate = this.button(touch.label);
        await this.page.getByTestId('question').filter({ hasText: touch.asks }).waitFor();
        if (!(await plate.isVisible())) await this.touch(this.button('Others'));
        return this.touch(plate);
      }
      case 'one-by-one':
        return this.touch(this.button('One after the other'));
      case 'line':
        return this.touch(this.page.getByTestId(`line-${touch.path}`));
      case 'all-so':
        return this.touch(this.button(ALL_SO));
      case 'part':
        this.part = touch.id;
        return this.touch(this.page.getByTestId(`part-${touch.id}`));
      case 'change':
        // A hazard has the strip to itself; the part is touched again.
        if (await this.button('Go on looking').isVisible())
          await this.touch(this.page.getByTestId(`part-${this.part}`));
        return this.touch(this.page.getByTestId(`known-${touch.path}`));
      case 'go-on':
        return this.touch(this.button(/^Go on( looking)?$/));
      case 'add':
        return this.add(touch);
      case 'next':
        return this.next(touch);
      case 'answer':
        return this.answer(touch.path, touch.value);
    }
  }

  private async add({ station, slot }: Touch & { act: 'add' }): Promise<void> {
    const word = { cord: 'cord', feeder: 'run', loads: 'circuit' }[station as 'cord']!;
    if (slot === undefined) return this.touch(this.page.getByRole('button', { name: `Add another ${word}` }));
    const handle = this.page.getByTestId(`slot-${slot}`);
    if (!(await handle.isVisible())) {
      const from = Math.floor((slot - 1) / 12) * 12 + 1;
      await this.touch(this.page.getByRole('button', { name: new RegExp(`^Slots ${from} to`) }));
    }
    return this.touch(handle);
  }

  /** Goes to a station: by the strip where it offers it, else by the path, as one would to something left open. */
  private async next({ to, offered }: Touch & { act: 'next' }): Promise<void> {
    if (offered) return this.touch(this.button(new RegExp(`${STATION_NAMES[to]}$`)));
    const onPath = this.page.getByRole('link', { name: new RegExp(`^${STATION_NAMES[to]} `) });
    if (!(await onPath.isVisible())) await this.touch(this.page.getByRole('link', { name: /^Back to/ }));
    await this.touch(onPath);
  }

  private async answer(path: string, value: string | number): Promise<void> {
    const meta = metaOf(path);
    await this.asked(path).waitFor();
    if (value === NOT_SEEN) return this.touch(this.button('Not seen'));
    const label = meta.choices.find((one) => one.value === String(value))?.label;
    if (label !== undefined) {
      const plates = this.strip.locator('[aria-busy="false"]');
      return this.touch(plates.getByRole('radio', { name: exactly(label) }));
    }
    const field = this.strip.getByLabel(`${meta.label}, typed`);
    await this.touch(field);
    await field.fill(String(value));
    this.count.keys += String(value).length + 1;
    await field.press('Enter');
  }
}

/** What the houses of an office that a person may see have taught: asked of the office, before a new one is opened. */
export async function usualAt(page: Page, address: string): Promise<Usual> {
  const inspections: Inspection[] = [];
  for (let since = 0, more = true; more;) {
    const answer = await page.request.get(`${address}/api/inspections?since=${since}`);
    const portion = (await answer.json()) as { inspections: Inspection[]; cursor: number; more: boolean };
    inspections.push(...portion.inspections);
    ({ cursor: since, more } = portion);
  }
  return usualOf(inspections.toSorted((a, b) => b.changedAt.localeCompare(a.changedAt)).map((one) => one.case));
}

/** Opens a new inspection with its connection, straight into the source. */
export async function openByDrawing(page: Page, walker: StripWalker, connection: string): Promise<void> {
  await walker.touch(page.getByRole('button', { name: 'New inspection' }));
  await page.getByLabel('Property').fill('9 O’Malley Row');
  await walker.touch(page.getByRole('button', { name: connection, exact: true }));
  await page.getByRole('heading', { name: STATION_NAMES.source, exact: true }).waitFor();
}
