import { cleanup, render } from '@testing-library/react';
import { emptyCase, withFact } from '@careful-latch/core/case';
import type { Profile } from '@careful-latch/core/profile';
import { evaluate } from '@careful-latch/core/verdict';
import { Appearance } from '../theme/theme';
import { OfficeNote } from './working';

const CASE = withFact(
  withFact(emptyCase('2020'), 'transfer.kind', 'retrofit-interlock'),
  'transfer.mountedOn',
  'cover',
);
const noted = (profile?: Profile) => {
  const outcome = evaluate(CASE, { profile }).outcomes.find(({ rule }) => rule === 'transfer/works-without-cover')!;
  const { container } = render(
    <Appearance>
      <OfficeNote outcome={outcome} />
    </Appearance>,
  );
  const text = container.textContent;
  cleanup();
  return text;
};

test('where offices differ the reading in use is said, and whose choice it was', () => {
  expect(noted()).toBe(
    'Offices differ: May an interlock hang on the removable cover? Here: accepted where listed for the panel and tested with the cover on (the usual reading; your profile may choose another).',
  );
  const office: Profile = {
    format: 'careful-latch/profile',
    version: 2,
    office: 'Windfall Township',
    edition: '2020',
    readings: { interlockOnCover: 'refused' },
    rules: { 'transfer/works-without-cover': { severity: 'hazard', reason: 'It protects nobody.' } },
    numbers: {},
    checklist: [],
  };
  expect(noted(office)).toMatch(
    /Here: refused.*yours reads it so.*Windfall Township: hazard instead of advisory \(It protects nobody\.\)$/,
  );
});
