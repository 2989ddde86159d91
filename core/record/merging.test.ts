import fc from 'fast-check';
import { factAt, recordedAt } from '../case';
import { INSPECTOR, LEAD, change, inspection } from '../test/inspection';
import { evaluate } from '../verdict';
import { addressed, applyChange, differing, judged, overtakenBy, placeOfConflict, shownText, touched, undoOf, type Change, type ChangeBody, type Inspection, type Person } from '.'; // prettier-ignore

const HOUSE = inspection();
const ID = HOUSE.id;
const BREAKER = 'breaker.ratingA';
/** What somebody records on a device that has an inspection before it. */
const says = (seen: Inspection, body: ChangeBody): Change => addressed(seen, change(body));
const rated = (seen: Inspection, value: number | null) => says(seen, touched(ID, BREAKER, value));
function after(from: Inspection, ...all: readonly (readonly [Change, Person])[]): Inspection {
  return all.reduce((now, [one, by]) => {
    const applied = applyChange(now, one, by);
    if (!applied.ok) throw new Error(applied.why);
    return applied.inspection;
  }, from);
}
const heads = ({ conflicts }: Inspection) => conflicts?.flatMap((one) => one.heads.map(({ value, by }) => [one.path, value, by])); // prettier-ignore

test('two who recorded a fact differently while apart: both stand with name and time, and it counts as not proved', () => {
  const now = after(HOUSE, [rated(HOUSE, 50), LEAD], [rated(HOUSE, 30), INSPECTOR]);
  expect(heads(now)).toEqual([[BREAKER, 50, LEAD.name], [BREAKER, 30, INSPECTOR.name]]); // prettier-ignore
  expect([factAt(now.case, BREAKER), recordedAt(now.case, BREAKER)]).toEqual([undefined, undefined]);
  const asks = judged(now).outcomes.find(({ rule }) => rule === 'breaker/not-above-weakest-link');
  expect(asks).toMatchObject({ outcome: 'unproven', needs: expect.arrayContaining([BREAKER]) as string[] });
  expect(shownText(now, judged(now))).toContain('"conflicts"');
});

test('one who has seen both decides; a third who has seen neither adds a third', () => {
  const apart = after(HOUSE, [rated(HOUSE, 50), LEAD], [rated(HOUSE, 30), INSPECTOR]);
  const settled = after(apart, [rated(apart, 30), LEAD]);
  expect([factAt(settled.case, BREAKER), settled.conflicts]).toEqual([30, undefined]);
  expect(recordedAt(settled.case, BREAKER)).toMatchObject({ by: LEAD.name });
  const third = { name: 'Nan Quarles', role: 'inspector' } as const;
  expect(heads(after(apart, [rated(HOUSE, 20), third]))).toHaveLength(3);
});

test('two who recorded the same agree, and one who had seen the other’s records over it', () => {
  const same = after(HOUSE, [rated(HOUSE, 30), LEAD], [rated(HOUSE, 30), INSPECTOR]);
  expect([factAt(same.case, BREAKER), differing(same)]).toEqual([30, []]);
  // Both stay known: what one of them records then, without the other's before them, is no word over theirs.
  const then = after(HOUSE, [rated(HOUSE, 30), INSPECTOR]);
  expect(heads(after(same, [rated(then, 20), INSPECTOR]))).toEqual([[BREAKER, 30, LEAD.name], [BREAKER, 20, INSPECTOR.name]]); // prettier-ignore
  const first = after(HOUSE, [rated(HOUSE, 50), LEAD]);
  const over = after(first, [rated(first, 30), INSPECTOR]);
  expect([factAt(over.case, BREAKER), over.conflicts]).toEqual([30, undefined]);
});

test('one person on two devices is one person: what comes later counts', () => {
  const now = after(HOUSE, [rated(HOUSE, 50), LEAD], [rated(HOUSE, 30), LEAD]);
  expect([factAt(now.case, BREAKER), now.conflicts]).toEqual([30, undefined]);
});

test('who takes a fact away had not seen the other’s: that one stands', () => {
  const had = after(HOUSE, [rated(HOUSE, 20), INSPECTOR]);
  const now = after(had, [rated(had, 30), LEAD], [rated(had, null), INSPECTOR]);
  expect([factAt(now.case, BREAKER), now.conflicts]).toEqual([30, undefined]);
});

test('a device that does not say what it had seen records over it, as before', () => {
  const now = after(HOUSE, [rated(HOUSE, 50), LEAD], [change(touched(ID, BREAKER, 30)), INSPECTOR]);
  expect([factAt(now.case, BREAKER), now.conflicts]).toEqual([30, undefined]);
});

test('of a cord it is that cord’s, wherever it stands by then; taken out with it', () => {
  const length = (seen: Inspection, feet: number) => says(seen, touched(ID, 'cord[0].lengthFt', feet));
  const apart = after(HOUSE, [length(HOUSE, 25), LEAD], [length(HOUSE, 40), INSPECTOR]);
  const [conflict] = apart.conflicts!;
  expect(conflict!.path).toMatch(/^cord\[[^\]]+\]\.lengthFt$/);
  expect(placeOfConflict(apart.case, conflict!)).toBe('cord[0].lengthFt');
  const settled = after(apart, [length(apart, 40), LEAD]);
  expect([factAt(settled.case, 'cord[0].lengthFt'), settled.conflicts]).toEqual([40, undefined]);
  const without = after(apart, [says(apart, { type: 'remove', inspection: ID, list: 'cord', index: 0 }), LEAD]);
  expect(without.conflicts).toBeUndefined();
});

test('what two differ on is not taken back unseen; what stands as one recorded it oneself is', () => {
  const back = (before: Inspection, body: Change) => undoOf(before, body)!;
  const hers = rated(HOUSE, 50);
  const own = after(HOUSE, [hers, LEAD]);
  expect(overtakenBy(own, back(HOUSE, hers), LEAD.name)).toBeUndefined();
  const both = after(own, [rated(HOUSE, 40), INSPECTOR]);
  expect(differing(both)).toHaveLength(1);
  expect(overtakenBy(both, back(HOUSE, hers), LEAD.name)).toBe(INSPECTOR.name);
  // a cord is found wherever it stands by then
  const feet = says(HOUSE, touched(ID, 'cord[0].lengthFt', 25));
  const longer = after(HOUSE, [feet, LEAD], [says(HOUSE, touched(ID, 'cord[0].lengthFt', 40)), INSPECTOR]);
  expect(overtakenBy(longer, back(HOUSE, feet), LEAD.name)).toBe(INSPECTOR.name);
});

test('a cord on which another has recorded meanwhile is not taken out unseen; once it was seen, it is', () => {
  const takesOut = (seen: Inspection) => says(seen, { type: 'remove', inspection: ID, list: 'cord', index: 0 });
  const measured = says(HOUSE, touched(ID, 'cord[0].lengthFt', 40));
  const now = after(HOUSE, [measured, INSPECTOR]);
  expect(applyChange(now, takesOut(HOUSE), LEAD)).toMatchObject({ ok: false, why: expect.stringContaining(INSPECTOR.name) as string }); // prettier-ignore
  expect(after(now, [takesOut(now), LEAD]).case.cord).toHaveLength(HOUSE.case.cord!.length - 1);
  // what was recorded by oneself, on another device, is no surprise
  expect(after(now, [takesOut(HOUSE), INSPECTOR]).case.cord).toHaveLength(HOUSE.case.cord!.length - 1);
  // and both of what two differ on was seen by whoever saw the two
  const apart = after(now, [says(HOUSE, touched(ID, 'cord[0].lengthFt', 25)), LEAD]);
  expect(applyChange(apart, takesOut(HOUSE), LEAD).ok).toBe(false);
  expect(applyChange(apart, takesOut(apart), LEAD).ok).toBe(true);
});

test('whatever two people record while apart, and in whatever order it comes: no value of either is lost unseen', () => {
  const fact = fc.record({ path: fc.constantFrom(BREAKER, 'inlet.ratingA', 'cord[0].lengthFt'), value: fc.constantFrom(20, 30, 50) }); // prettier-ignore
  fc.assert(
    fc.property(fc.array(fact, { maxLength: 5 }), fc.array(fact, { maxLength: 5 }), fc.infiniteStream(fc.boolean()), (hers, his, order) => {
      /** Everything that one person records on a device, with what it had before each. */
      const queue = (all: readonly { path: string; value: number }[], by: Person) => {
        let own = HOUSE;
        return all.map(({ path, value }) => {
          const one = says(own, touched(ID, path, value));
          own = after(own, [one, by]);
          return [one, by] as const;
        });
      };
      const [a, b] = [queue(hers, LEAD), queue(his, INSPECTOR)];
      const sent = [];
      while (a.length + b.length > 0) sent.push(((order.next().value && a.length > 0) || b.length === 0 ? a : b).shift()!);
      const now = after(HOUSE, ...sent);
      for (const path of [BREAKER, 'inlet.ratingA', 'cord[0].lengthFt']) {
        const last = [hers, his].flatMap((all) => all.findLast((one) => one.path === path)?.value ?? []);
        const conflict = differing(now).find((one) => placeOfConflict(now.case, one) === path);
        if (new Set(last).size > 1) expect(conflict?.heads.map(({ value }) => value).sort()).toEqual([...last].sort());
        else {
          expect(conflict).toBeUndefined();
          if (last.length > 0) expect(factAt(now.case, path)).toBe(last[0]);
        }
      }
      expect(evaluate(now.case).outcomes.length).toBeGreaterThan(0);
    }),
    { numRuns: 400 },
  );
}); // prettier-ignore
